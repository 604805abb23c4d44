#include "app/palette.h"
#include "app/theme/theme.h"

#include <QPainter>
#include <QStyledItemDelegate>
#include <algorithm>

namespace baryton {

namespace {

enum EntryRoles { EntryRole = Qt::UserRole, KindRole, KeyRole };

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
    : FindPopup(tr("Find anything"), tr("A command, a stage, a preset, a picture"),
                tr("Nothing is called that. Try fewer letters, or what it is for: “soft”, “faded”, “export”."),
                parent),
      entries_(std::move(entries)) {
    resize(520, 420);
    list()->setItemDelegate(new PaletteDelegate(list()));
    filter();
    search()->setFocus();
}

void Palette::filter() {
    std::vector<std::pair<int, std::size_t>> found; // rank, place
    for (std::size_t i = 0; i < entries_.size(); ++i) {
        const QString& text = entries_[i].text;
        const QString named = text + u' ' + entries_[i].kind, typed = search()->text();
        if (!hasAllWords(named + u' ' + entries_[i].purposes, typed)) continue;
        const QString first = typed.trimmed().section(u' ', 0, 0);
        const bool begins = !first.isEmpty() && text.startsWith(first, Qt::CaseInsensitive);
        found.push_back({begins ? 0 : hasAllWords(named, typed) ? 1 : 2, i});
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
