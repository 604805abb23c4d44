#include "app/palette.h"
#include "app/theme/theme.h"

#include <QKeyEvent>
#include <QPainter>
#include <QStyledItemDelegate>
#include <QVBoxLayout>
#include <algorithm>

namespace baryton {

namespace {

enum Role { EntryRole = Qt::UserRole, KindRole, KeyRole };

/// The text at the left, what kind of thing it is and its key at the right.
class PaletteDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {100, 28}; }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& c = theme::colours();
        if (option.state & QStyle::State_Selected) p->fillRect(option.rect, c.pressed);
        const QRect line = option.rect.adjusted(10, 0, -10, 0);
        p->setPen(c.second);
        const QString right = index.data(KeyRole).toString().isEmpty() ? index.data(KindRole).toString()
                                                                       : index.data(KeyRole).toString();
        p->drawText(line, Qt::AlignVCenter | Qt::AlignRight, right);
        const int room = line.width() - p->fontMetrics().horizontalAdvance(right) - 12;
        p->setPen(c.text);
        p->drawText(line, Qt::AlignVCenter | Qt::AlignLeft,
                    p->fontMetrics().elidedText(index.data().toString(), Qt::ElideRight, room));
    }
};

} // namespace

Palette::Palette(std::vector<Entry> entries, QWidget* parent)
    : QFrame(parent, Qt::Popup), entries_(std::move(entries)), search_(new QLineEdit), list_(new QListWidget) {
    setObjectName(QStringLiteral("popup"));
    setAttribute(Qt::WA_DeleteOnClose);
    setAccessibleName(tr("Find anything"));
    resize(520, 420);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(8, 8, 8, 8);
    layout->setSpacing(6);
    search_->setPlaceholderText(tr("A command, a stage, a preset, a picture"));
    search_->setAccessibleName(tr("Find anything"));
    layout->addWidget(search_);
    list_->setAccessibleName(tr("Found"));
    list_->setItemDelegate(new PaletteDelegate(list_));
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    layout->addWidget(list_, 1);
    search_->installEventFilter(this);
    connect(search_, &QLineEdit::textChanged, this, &Palette::filter);
    connect(search_, &QLineEdit::returnPressed, this, [this] { take(list_->currentItem()); });
    connect(list_, &QListWidget::itemClicked, this, &Palette::take);
    filter();
    search_->setFocus();
}

void Palette::filter() {
    const QStringList words = search_->text().split(u' ', Qt::SkipEmptyParts);
    std::vector<std::pair<int, std::size_t>> found; // rank, place
    for (std::size_t i = 0; i < entries_.size(); ++i) {
        const QString& text = entries_[i].text;
        const bool all = std::all_of(words.begin(), words.end(), [&](const QString& word) {
            return text.contains(word, Qt::CaseInsensitive) || entries_[i].kind.contains(word, Qt::CaseInsensitive);
        });
        if (!all) continue;
        const bool begins = !words.isEmpty() && text.startsWith(words.front(), Qt::CaseInsensitive);
        found.push_back({begins ? 0 : 1, i});
    }
    std::stable_sort(found.begin(), found.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
    list_->clear();
    constexpr std::size_t most = 60;
    for (std::size_t i = 0; i < std::min(most, found.size()); ++i) {
        const Entry& entry = entries_[found[i].second];
        auto* item = new QListWidgetItem(entry.text, list_);
        item->setData(EntryRole, static_cast<int>(found[i].second));
        item->setData(KindRole, entry.kind);
        item->setData(KeyRole, entry.key);
    }
    list_->setCurrentRow(0);
}

void Palette::take(QListWidgetItem* item) {
    if (!item) return;
    const auto run = entries_[static_cast<std::size_t>(item->data(EntryRole).toInt())].run;
    close();
    run();
}

bool Palette::eventFilter(QObject* watched, QEvent* event) {
    if (watched == search_ && event->type() == QEvent::KeyPress) {
        const int key = static_cast<QKeyEvent*>(event)->key();
        if (key == Qt::Key_Down || key == Qt::Key_Up) {
            list_->setCurrentRow(
                std::clamp(list_->currentRow() + (key == Qt::Key_Down ? 1 : -1), 0, std::max(0, list_->count() - 1)));
            return true;
        }
        if (key == Qt::Key_Escape) {
            close();
            return true;
        }
    }
    return QFrame::eventFilter(watched, event);
}

} // namespace baryton
