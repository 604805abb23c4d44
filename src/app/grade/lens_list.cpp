#include "app/grade/lens_list.h"

#include <QScreen>

namespace baryton {

LensList::LensList(const Shot& shot, std::function<void(const std::string&)> take, QWidget* parent)
    : FindPopup(
          tr("Choose a lens"), tr("Find a lens by its name"),
          tr("No lens of that name is known. Leave words out, or set its corrections by hand; files of lenses, as "
             "Lensfun has them, can be put into the program's folder “lenses”."),
          parent),
      take_(std::move(take)) {
    std::size_t fitting = 0;
    const auto names = knownLenses(shot, fitting);
    list()->setUniformItemSizes(true);
    for (std::size_t i = 0; i < names.size(); ++i) {
        auto* item = new QListWidgetItem(QString::fromStdString(names[i]), list());
        item->setToolTip(i < fitting ? tr("Fits this picture's camera and focal length") : QString());
        if (i < fitting) {
            QFont font = item->font();
            font.setWeight(QFont::DemiBold);
            item->setFont(font);
        }
    }
    list()->setCurrentRow(0);
}

void LensList::popup(const QWidget& panel, const QWidget& button) {
    constexpr int rows = 16;
    list()->setFixedHeight(rows * list()->sizeHintForRow(0) + 2 * list()->frameWidth()); // whole ones
    setFixedWidth(panel.width());
    adjustSize();
    const QPoint below = button.mapToGlobal(QPoint(0, button.height() + 4));
    const int lowest = screen()->availableGeometry().bottom() - height();
    move(panel.mapToGlobal(QPoint(0, 0)).x(), std::min(below.y(), lowest));
    show();
    search()->setFocus();
}

void LensList::filter() {
    int first = -1;
    for (int row = 0; row < list()->count(); ++row) {
        const bool fits = hasAllWords(list()->item(row)->text(), search()->text());
        list()->item(row)->setHidden(!fits);
        if (fits && first < 0) first = row;
    }
    list()->setCurrentRow(first);
}

void LensList::take(QListWidgetItem* item) {
    take_(item->text().toStdString());
}

} // namespace baryton
