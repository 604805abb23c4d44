#include "app/widgets/find_popup.h"
#include "app/widgets/labels.h"

#include <QKeyEvent>
#include <QVBoxLayout>
#include <algorithm>

namespace baryton {

bool hasAllWords(const QString& text, const QString& typed) {
    const QStringList words = typed.split(u' ', Qt::SkipEmptyParts);
    return std::all_of(words.begin(), words.end(),
                       [&](const QString& word) { return text.contains(word, Qt::CaseInsensitive); });
}

FindPopup::FindPopup(const QString& name, const QString& placeholder, const QString& nothing, QWidget* parent)
    : QFrame(parent, Qt::Popup), search_(new QLineEdit), list_(new QListWidget), shown_(new QStackedWidget) {
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
    shown_->addWidget(list_);
    auto* label = makeLabel(nothing, "second");
    label->setWordWrap(true);
    label->setAlignment(Qt::AlignCenter);
    label->setMargin(24);
    shown_->addWidget(label);
    layout->addWidget(shown_, 1);
    search_->installEventFilter(this);
    connect(search_, &QLineEdit::textChanged, this, [this] { refilter(); });
    connect(search_, &QLineEdit::returnPressed, this, [this] { choose(list_->currentItem()); });
    connect(list_, &QListWidget::itemClicked, this, &FindPopup::choose);
}

void FindPopup::refilter() {
    filter();
    bool any = false;
    for (int row = 0; row < list_->count(); ++row) any = any || !list_->item(row)->isHidden();
    shown_->setCurrentIndex(any ? 0 : 1);
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
