#pragma once
#include <QInputEvent>

namespace baryton {

/// How far a value goes for a hand that drags: with Shift a tenth of the way.
inline double dragSpeed(Qt::KeyboardModifiers modifiers) {
    return modifiers & Qt::ShiftModifier ? 0.1 : 1;
}

/// How many steps a value takes for one press of an arrow key or turn of a wheel: with Shift ten.
inline double keySteps(Qt::KeyboardModifiers modifiers) {
    return modifiers & Qt::ShiftModifier ? 10 : 1;
}

} // namespace baryton
