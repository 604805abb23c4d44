#pragma once
#include "app/package/colour_moves_view.h"
#include "app/widgets/sheet.h"

namespace baryton {

/// Where a LUT, or any Look, takes all colours.
class ColourMovesSheet : public Sheet {
    Q_OBJECT
public:
    ColourMovesSheet(const QString& name, Grade look, QWidget* parent);
    ColourMovesView* view() const { return view_; }

private:
    ColourMovesView* view_;
};

} // namespace baryton
