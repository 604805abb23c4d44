#include "app/widgets/segments.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QStyle>

namespace baryton {

Segments::Segments(const QStringList& words, QWidget* parent) : QFrame(parent) {
    setObjectName(QStringLiteral("segments"));
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(0);
    for (const QString& word : words) {
        auto* button = new QPushButton(word);
        button->setCheckable(true);
        button->setAutoDefault(false);
        const int index = static_cast<int>(buttons_.size());
        connect(button, &QPushButton::clicked, this, [this, index] {
            setCurrent(index);
            Q_EMIT chosen(index);
        });
        row->addWidget(button);
        buttons_.push_back(button);
    }
    setSizePolicy(QSizePolicy::Maximum, QSizePolicy::Fixed);
    setCurrent(0);
}

void Segments::setCurrent(int index) {
    current_ = index;
    for (std::size_t i = 0; i < buttons_.size(); ++i) {
        const bool is = static_cast<int>(i) == index;
        buttons_[i]->setChecked(is);
        buttons_[i]->setFocusPolicy(is ? Qt::StrongFocus : Qt::ClickFocus);
    }
}

void Segments::setMarked(int index, bool marked) {
    QPushButton* word = button(index);
    if (word->property("marked").toBool() == marked) return;
    word->setProperty("marked", marked);
    word->setAccessibleDescription(marked ? tr("changed") : QString());
    word->style()->unpolish(word);
    word->style()->polish(word);
}

void Segments::keyPressEvent(QKeyEvent* event) {
    const int step = event->key() == Qt::Key_Right ? 1 : event->key() == Qt::Key_Left ? -1 : 0;
    const int next = current_ + step;
    if (step == 0 || next < 0 || next >= static_cast<int>(buttons_.size())) {
        QFrame::keyPressEvent(event);
        return;
    }
    setCurrent(next);
    button(next)->setFocus();
    Q_EMIT chosen(next);
}

} // namespace baryton
