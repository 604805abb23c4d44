#include "app/package/colour_moves_sheet.h"

namespace baryton {

ColourMovesSheet::ColourMovesSheet(const QString& name, Grade look, QWidget* parent)
    : Sheet(tr("Where %1 takes colours").arg(name), QStringLiteral("guide/package#") + tr("A LUT of unknown making"),
            parent),
      view_(new ColourMovesView(std::move(look))) {
    resize(620, 660);
    rows()->addWidget(view_, 1);
    addCloseFoot("primary");
}

} // namespace baryton
