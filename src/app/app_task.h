#pragma once

namespace baryton {

/// The three tasks of the window, in the order of their buttons.
enum class AppTask { Grade, Package, Batch };

} // namespace baryton
