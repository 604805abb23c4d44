#include "app/palette.h"
#include "app/theme/theme.h"

#include <QPainter>
#include <QStyledItemDelegate>
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
    : FindPopup(tr("Find anything"), tr("A command, a stage, a preset, a picture"), parent),
      entries_(std::move(entries)) {
    resize(520, 420);
    list()->setItemDelegate(new PaletteDelegate(list()));
    filter();
    search()->setFocus();
}

void Palette::filter() {
    const QStringList words = search()->text().split(u' ', Qt::SkipEmptyParts);
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
    list()->clear();
    constexpr std::size_t most = 60;
    for (std::size_t i = 0; i < std::min(most, found.size()); ++i) {
        const Entry& entry = entries_[found[i].second];
        auto* item = new QListWidgetItem(entry.text, list());
        item->setData(EntryRole, static_cast<int>(found[i].second));
        item->setData(KindRole, entry.kind);
        item->setData(KeyRole, entry.key);
    }
    list()->setCurrentRow(0);
}

void Palette::take(QListWidgetItem* item) {
    entries_[static_cast<std::size_t>(item->data(EntryRole).toInt())].run();
}

} // namespace baryton
