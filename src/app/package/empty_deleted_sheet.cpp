#include "app/package/empty_deleted_sheet.h"
#include "app/widgets/labels.h"

#include <QLocale>

namespace baryton {

EmptyDeletedSheet::EmptyDeletedSheet(AppState& state, const Library::Deleted& there, QWidget* parent)
    : Sheet(tr("Empty what was deleted"), QStringLiteral("guide/window#") + tr("Where things are kept"), parent) {
    setMinimumWidth(420);
    rows()->addWidget(
        makeLabel(tr("%n deleted groups, %1", nullptr, there.groups)
                      .arg(QLocale().formattedDataSize(qint64(there.bytes), 1, QLocale::DataSizeSIFormat)),
                  "heading"));
    addNote(tr("They are kept for %n days and go then by themselves. Emptied now, they can't be brought back.",
               nullptr, Library::kDeletedDays));
    auto* empty = makeButton(tr("Empty"), "primary");
    connect(empty, &QPushButton::clicked, this, [this, &state] {
        const int gone = state.library().emptyDeleted(0);
        state.tell(tr("%n deleted groups are gone", nullptr, gone));
        accept();
    });
    addFoot(empty);
}

} // namespace baryton
