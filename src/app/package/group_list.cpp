#include "app/package/group_list.h"
#include "app/theme/theme.h"
#include "base/first_free.h"

#include <QDesktopServices>
#include <QDropEvent>
#include <QKeyEvent>
#include <QMenu>
#include <QMimeData>
#include <QStyledItemDelegate>
#include <QUrl>

namespace baryton {

const QString GroupList::kMimeType = QStringLiteral("application/x-baryton-items");

namespace {

enum GroupRoles { GroupRole = Qt::UserRole, CountRole, FixedRole };

/// The name at the left, the count at the right.
class GroupDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        QStyledItemDelegate::paint(p, option, index);
        p->setPen(theme::colours().second);
        p->drawText(option.rect.adjusted(0, 0, -10, 0), Qt::AlignVCenter | Qt::AlignRight,
                    index.data(CountRole).toString());
    }
};

} // namespace

GroupList::GroupList(AppState& state, QWidget* parent) : QListWidget(parent), state_(state) {
    setObjectName(QStringLiteral("groups"));
    setAccessibleName(tr("Groups"));
    setItemDelegate(new GroupDelegate(this));
    setStyleSheet(QStringLiteral("QListView { background: transparent; }"));
    setDragDropMode(QAbstractItemView::DragDrop);
    setDefaultDropAction(Qt::MoveAction);
    setDropIndicatorShown(true);
    setEditTriggers(QAbstractItemView::DoubleClicked | QAbstractItemView::EditKeyPressed);
    setContextMenuPolicy(Qt::CustomContextMenu);
    connect(this, &QListWidget::customContextMenuRequested, this, &GroupList::openMenu);
    connect(this, &QListWidget::currentRowChanged, this, [this] {
        if (!filling_) Q_EMIT groupChosen();
    });
    connect(this, &QListWidget::itemChanged, this, [this](QListWidgetItem* item) {
        if (!filling_) rename(item->data(GroupRole).toString(), item->text().trimmed());
    });
    fill();
}

QString GroupList::group() const {
    return currentItem() ? currentItem()->data(GroupRole).toString() : QString();
}

bool GroupList::isFavourites() const {
    return currentRow() == 1;
}

void GroupList::fill() {
    filling_ = true;
    const QString chosen = group();
    const int row = currentRow();
    clear();
    std::map<std::string, int> counts;
    int favourites = 0;
    for (const auto& entry : state_.presets()) {
        ++counts[entry.group];
        const auto known = state_.libraryIndex().items.find(entry.item());
        favourites += known != state_.libraryIndex().items.end() && known->second.isFavourite;
    }
    const auto add = [&](const QString& text, const QString& id, int count) {
        auto* item = new QListWidgetItem(text, this);
        item->setData(GroupRole, id);
        item->setData(CountRole, count);
        item->setFlags(id.isEmpty() ? Qt::ItemIsEnabled | Qt::ItemIsSelectable
                                    : Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsEditable |
                                          Qt::ItemIsDragEnabled | Qt::ItemIsDropEnabled);
        if (!id.isEmpty() && id == chosen) setCurrentItem(item);
    };
    add(tr("All presets"), {}, static_cast<int>(state_.presets().size()));
    add(tr("Favourites"), {}, favourites);
    for (const auto& name : state_.library().groups())
        add(QString::fromStdString(name), QString::fromStdString(name), counts[name]);
    if (!currentItem()) setCurrentRow(row == 1 ? 1 : 0);
    filling_ = false;
}

void GroupList::addGroup() {
    const auto groups = state_.library().groups();
    const std::string name = firstFree(
        [](int n) { return (n == 1 ? tr("New group") : tr("New group %1").arg(n)).toStdString(); },
        [&](const std::string& each) { return std::find(groups.begin(), groups.end(), each) != groups.end(); });
    state_.editLibrary([&] { return state_.library().addGroup(name); });
    for (int i = 0; i < count(); ++i)
        if (item(i)->data(GroupRole).toString() == QString::fromStdString(name)) {
            setCurrentRow(i);
            editItem(item(i));
        }
}

void GroupList::rename(const QString& from, const QString& to) {
    if (from.isEmpty() || from == to) return fill();
    // Later: a list is not refilled from within its own signal.
    QMetaObject::invokeMethod(
        this,
        [this, from, to] {
            state_.editLibrary([&] { return state_.library().renameGroup(from.toStdString(), to.toStdString()); });
            fill();
            for (int i = 0; i < count(); ++i)
                if (item(i)->data(GroupRole).toString() == to) setCurrentRow(i);
        },
        Qt::QueuedConnection);
}

void GroupList::openMenu(QPoint at) {
    QListWidgetItem* item = itemAt(at);
    const QString name = item ? item->data(GroupRole).toString() : QString();
    auto* menu = new QMenu(this);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    menu->addAction(tr("New group"), this, &GroupList::addGroup);
    if (!name.isEmpty()) {
        menu->addAction(tr("Rename"), this, [this, item] { editItem(item); });
        menu->addAction(tr("Export as a pack…"), this, [this, name] { Q_EMIT exportWanted(name); });
        menu->addAction(tr("Export as LUTs…"), this, [this, name] { Q_EMIT exportLutsWanted(name); });
        menu->addAction(tr("Show the folder"), this, [this, name] {
            QDesktopServices::openUrl(
                QUrl::fromLocalFile(QString::fromStdString((state_.library().root() / name.toStdString()).string())));
        });
        menu->addSeparator();
        menu->addAction(tr("Delete the group"), this, [this, name] {
            state_.editLibrary([&] { return state_.library().removeGroup(name.toStdString()); });
            state_.tell(tr("Group deleted: %1. Undo brings it back.").arg(name));
        });
    }
    menu->popup(viewport()->mapToGlobal(at));
}

void GroupList::dragEnterEvent(QDragEnterEvent* event) {
    // Presets, or a group of this very list.
    if (event->mimeData()->hasFormat(kMimeType) || event->mimeData()->hasFormat(model()->mimeTypes().constFirst()))
        event->acceptProposedAction();
}

void GroupList::dragMoveEvent(QDragMoveEvent* event) {
    if (event->mimeData()->hasFormat(kMimeType)) {
        const QListWidgetItem* item = itemAt(event->position().toPoint());
        if (item && !item->data(GroupRole).toString().isEmpty())
            event->acceptProposedAction();
        else
            event->ignore();
        return;
    }
    QListWidget::dragMoveEvent(event); // for its scrolling and the line
    event->acceptProposedAction();
}

void GroupList::dropEvent(QDropEvent* event) {
    QListWidgetItem* item = itemAt(event->position().toPoint());
    if (event->mimeData()->hasFormat(kMimeType)) {
        const QString to = item ? item->data(GroupRole).toString() : QString();
        if (to.isEmpty()) return;
        std::vector<LibraryEntry> entries;
        for (const QByteArray& line : event->mimeData()->data(kMimeType).split('\n'))
            if (const LibraryEntry* entry = state_.presetEntry(line.toStdString())) entries.push_back(*entry);
        event->acceptProposedAction();
        if (!entries.empty()) state_.editLibrary([&] { return state_.library().move(entries, to.toStdString()); });
        return;
    }
    // A group dragged along the list: before the one it is let go on, behind all where there is none.
    if (!currentItem()) return;
    const std::string moved = group().toStdString();
    const std::string before = item ? item->data(GroupRole).toString().toStdString() : std::string();
    const bool lower = item && event->position().y() > visualItemRect(item).center().y();
    event->setDropAction(Qt::IgnoreAction); // the list is filled anew, nothing is moved in it
    event->accept();
    if (moved.empty() || moved == before) return;
    std::vector<std::string> order = state_.library().groups();
    std::erase(order, moved);
    auto at = before.empty() ? (item ? order.begin() : order.end()) : std::find(order.begin(), order.end(), before);
    if (lower && at != order.end() && !before.empty()) ++at;
    order.insert(at, moved);
    QMetaObject::invokeMethod(
        this, [this, order] { state_.editLibrary([&] { return state_.library().orderGroups(order); }); },
        Qt::QueuedConnection);
}

void GroupList::keyPressEvent(QKeyEvent* event) {
    const QString name = group();
    if (event->key() == Qt::Key_Delete && !name.isEmpty() && state() != QAbstractItemView::EditingState) {
        state_.editLibrary([&] { return state_.library().removeGroup(name.toStdString()); });
        state_.tell(tr("Group deleted: %1. Undo brings it back.").arg(name));
        return;
    }
    QListWidget::keyPressEvent(event);
}

} // namespace baryton
