#include "app/widgets/find_popup.h"

#include <QKeyEvent>
#include <QVBoxLayout>

namespace baryton {

FindPopup::FindPopup(const QString& name, const QString& placeholder, QWidget* parent)
    : QFrame(parent, Qt::Popup), search_(new QLineEdit), list_(new QListWidget) {
    setObjectName(QStringLiteral("popup"));
    setAttribute(Qt::WA_DeleteOnClose);
    setAccessibleName(name);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(8, 8, 8, 8);
    layout->setSpacing(6);
    search_->setPlaceholderText(placeholder);
    search_->setAccessibleName(placeholder);
    layout->addWidget(search_);
    list_->setAccessibleName(tr("Found"));
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    layout->addWidget(list_, 1);
    search_->installEventFilter(this);
    connect(search_, &QLineEdit::textChanged, this, [this] { filter(); });
    connect(search_, &QLineEdit::returnPressed, this, [this] { choose(list_->currentItem()); });
    connect(list_, &QListWidget::itemClicked, this, &FindPopup::choose);
}

void FindPopup::choose(QListWidgetItem* item) {
    if (!item || item->isHidden()) return;
    close(); // deleted only when the event loop comes round again
    take(item);
}

void FindPopup::step(int by) {
    int row = list_->currentRow() + by;
    while (row >= 0 && row < list_->count() && list_->item(row)->isHidden()) row += by;
    if (row >= 0 && row < list_->count()) list_->setCurrentRow(row);
}

bool FindPopup::eventFilter(QObject* watched, QEvent* event) {
    if (watched != search_ || event->type() != QEvent::KeyPress) return QFrame::eventFilter(watched, event);
    switch (static_cast<QKeyEvent*>(event)->key()) {
    case Qt::Key_Down:
        step(1);
        return true;
    case Qt::Key_Up:
        step(-1);
        return true;
    case Qt::Key_Escape:
        close();
        return true;
    default:
        return false;
    }
}

} // namespace baryton
