#pragma once
#include <QString>
#include <optional>

namespace baryton {

/// The value of what was typed into a number field: numbers with + − * / and brackets, the typographic minus and a
/// comma as decimal mark understood, a trailing unit ("K", "%", "°", "px") passed over. Nothing when it is no such
/// expression or not finite.
std::optional<double> evaluateArithmetic(const QString& typed);

} // namespace baryton
