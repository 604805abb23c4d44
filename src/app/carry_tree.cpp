#include "app/carry_tree.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "edits/changed.h"
#include "stages/own_field_type.h"

#include <QContextMenuEvent>
#include <QHeaderView>
#include <QMenu>
#include <QSignalBlocker>
#include <QStyledItemDelegate>
#include <cmath>

namespace baryton {

namespace {

/// Only values are edited, not their names.
class ValueDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QWidget* createEditor(QWidget* parent, const QStyleOptionViewItem& option,
                          const QModelIndex& index) const override {
        return index.column() == 1 ? QStyledItemDelegate::createEditor(parent, option, index) : nullptr;
    }
};

} // namespace

CarryTree::CarryTree(bool withTicks, QWidget* parent) : QTreeWidget(parent), withTicks_(withTicks) {
    setColumnCount(2);
    setHeaderHidden(true);
    header()->setStretchLastSection(false);
    header()->setSectionResizeMode(0, QHeaderView::Stretch);
    header()->setSectionResizeMode(1, QHeaderView::ResizeToContents);
    setIndentation(withTicks ? 18 : 14);
    setSelectionMode(withTicks ? QAbstractItemView::SingleSelection : QAbstractItemView::ExtendedSelection);
    setItemDelegate(new ValueDelegate(this));
    setAccessibleName(tr("What the preset carries"));
    if (withTicks) {
        connect(this, &QTreeWidget::itemChanged, this, &CarryTree::includedChanged);
        return;
    }
    connect(this, &QTreeWidget::itemChanged, this, [this](QTreeWidgetItem* item, int column) {
        if (filling_ || column != 1) return;
        for (const Leaf& leaf : leaves_)
            if (leaf.item == item) {
                Q_EMIT valueTyped(leaf.path, item->text(1));
                return;
            }
    });
}

void CarryTree::addLeaf(QTreeWidgetItem* parent, const CarryPath& path, const QString& name, const QString& value,
                        bool changed, bool isTyped) {
    auto* item = new QTreeWidgetItem(parent, {name, value});
    item->setTextAlignment(1, Qt::AlignRight | Qt::AlignVCenter);
    item->setForeground(1, changed ? theme::colours().text : theme::colours().second);
    if (!changed) item->setForeground(0, theme::colours().second);
    if (withTicks_) item->setCheckState(0, changed_.contains(path) ? Qt::Checked : Qt::Unchecked);
    if (editable_ && isTyped) item->setFlags(item->flags() | Qt::ItemIsEditable);
    leaves_.push_back({path, item, isTyped});
}

IncludeSet CarryTree::chosenEntries() const {
    IncludeSet set;
    for (const Leaf& leaf : leaves_)
        for (const QTreeWidgetItem* item = leaf.item; item; item = item->parent())
            if (item->isSelected()) {
                set.push_back(leaf.path);
                break;
            }
    return set;
}

void CarryTree::keyPressEvent(QKeyEvent* event) {
    if (editable_ && event->key() == Qt::Key_Delete && state() != QAbstractItemView::EditingState) {
        Q_EMIT dropWanted();
        return;
    }
    QTreeWidget::keyPressEvent(event);
}

void CarryTree::contextMenuEvent(QContextMenuEvent* event) {
    if (!editable_ || !itemAt(event->pos())) return;
    auto* menu = new QMenu(this);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    QTreeWidgetItem* item = itemAt(event->pos());
    if (item->flags() & Qt::ItemIsEditable)
        menu->addAction(tr("Change the value"), this, [this, item] { editItem(item, 1); });
    menu->addAction(tr("Drop from the preset"), this, &CarryTree::dropWanted);
    menu->popup(event->globalPos());
}

template <class Item>
int CarryTree::addOwnFields(QTreeWidgetItem* parent, CarryPath path, const Item& of, const QString& name) {
    int count = 0;
    for (const auto& field : ownFieldsOf(of)) {
        const auto value = field.get(of);
        if (!value) continue;
        const ParameterType& type = ownFieldType(field.word);
        path.parameter = field.word;
        QString shown = QString::fromStdString(shownText(type, *value));
        const auto* mask = std::get_if<Mask>(&*value);
        const bool isOwn = mask && mask->isOfOnePicture();
        if (isOwn)
            shown += QStringLiteral(" · ") + tr("belongs to this picture");
        else if (isPreset_ && mask && !mask->isEmpty() && !mask->seesOnlyColours())
            shown += QStringLiteral(" · ") + tr("placed by the frame");
        if (isOwn) changed_.erase(path); // offered, but not ticked: a brush has followed what is on this one
        addLeaf(parent, path, name.arg(QString::fromStdString(type.name)), shown, true,
                type.kind != ParameterKind::Mask);
        ++count;
    }
    return count;
}

void CarryTree::addStages(QTreeWidgetItem* parent, Part part, const std::string& layer,
                          const std::vector<Stage>& stages) {
    for (const Stage& stage : stages) {
        const StageType* type = findStageType(stage.type);
        auto* item = new QTreeWidgetItem(parent, {QString::fromStdString(stageTitle(stage)), {}});
        if (withTicks_) item->setFlags(item->flags() | Qt::ItemIsAutoTristate | Qt::ItemIsUserCheckable);
        int changes = addOwnFields(item, {part, layer, stage.id, ""}, stage, "%1");
        if (type) {
            for (const ParameterType& p : type->parameters) {
                const auto value = stage.parameters.find(p.id);
                const bool present = value != stage.parameters.end();
                if (!present && !withTicks_) continue;
                changes += present;
                addLeaf(item, {part, layer, stage.id, p.id}, QString::fromStdString(p.name),
                        QString::fromStdString(shownText(p, present ? value->second : p.defaultValue)), present,
                        p.kind != ParameterKind::CurveShape && p.kind != ParameterKind::LutFile &&
                            p.kind != ParameterKind::Picture);
            }
        }
        item->setText(1, type ? changes > 0 ? counted(changes, tr("value"), tr("values")) : tr("unchanged")
                              : tr("unknown stage"));
        item->setTextAlignment(1, Qt::AlignRight | Qt::AlignVCenter);
        item->setForeground(1, theme::colours().second);
        item->setExpanded(changes > 0 && changes <= 6);
    }
}

void CarryTree::setGrade(const Grade& grade) {
    const QSignalBlocker blocker(this);
    filling_ = true;
    clear();
    leaves_.clear();
    const IncludeSet changed = changedIn(grade);
    changed_ = {changed.begin(), changed.end()};
    const auto addPart = [&](const QString& name, const QString& word) {
        auto* item = new QTreeWidgetItem(this, {name, word});
        item->setTextAlignment(1, Qt::AlignRight | Qt::AlignVCenter);
        item->setForeground(1, theme::colours().second);
        QFont font = item->font(0);
        font.setWeight(QFont::DemiBold);
        item->setFont(0, font);
        if (withTicks_) item->setFlags(item->flags() | Qt::ItemIsAutoTristate | Qt::ItemIsUserCheckable);
        item->setExpanded(true);
        return item;
    };
    if (!grade.prep.empty()) {
        auto* item = addPart(tr("Prep"), tr("belongs to this picture"));
        item->setToolTip(
            0, tr("Exposure and white balance were set for this one picture; on others they would be wrong. "
                  "Tick them only if every picture needs just these."));
        addStages(item, Part::Prep, "", grade.prep);
    }
    for (const Layer& layer : grade.look) {
        auto* item = addPart(tr("Look · %1").arg(QString::fromStdString(layer.name)), {});
        addOwnFields(item, {Part::Look, layer.id, "", ""}, layer, tr("%1 of the layer"));
        addStages(item, Part::Look, layer.id, layer.stages);
    }
    if (!grade.finish.empty()) addStages(addPart(tr("Finish"), tr("whole frame")), Part::Finish, "", grade.finish);
    if (!withTicks_ && topLevelItemCount() == 0) new QTreeWidgetItem(this, {tr("Nothing"), {}});
    filling_ = false;
}

IncludeSet CarryTree::included() const {
    IncludeSet set;
    for (const Leaf& leaf : leaves_)
        if (leaf.item->checkState(0) == Qt::Checked) set.push_back(leaf.path);
    return set;
}

void CarryTree::tick(const IncludeSet& wanted) {
    const std::set<CarryPath> all(wanted.begin(), wanted.end());
    {
        const QSignalBlocker blocker(this);
        for (const Leaf& leaf : leaves_)
            leaf.item->setCheckState(0, all.contains(leaf.path) ? Qt::Checked : Qt::Unchecked);
    }
    Q_EMIT includedChanged();
}

void CarryTree::tickAll(bool ticked) {
    {
        const QSignalBlocker blocker(this);
        for (const Leaf& leaf : leaves_) leaf.item->setCheckState(0, ticked ? Qt::Checked : Qt::Unchecked);
    }
    Q_EMIT includedChanged();
}

void CarryTree::tickChanged() {
    tick({changed_.begin(), changed_.end()});
}

} // namespace baryton
