#pragma once
#include "app/app_state.h"
#include "app/widgets/sheet.h"

namespace baryton {

/// Asks before what was deleted from the library is removed for good.
class EmptyDeletedSheet : public Sheet {
    Q_OBJECT
public:
    EmptyDeletedSheet(AppState& state, const Library::Deleted& there, QWidget* parent);
};

} // namespace baryton
