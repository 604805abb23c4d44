#include "app/grade/tray_panel.h"
#include "app/settings.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "app/widgets/still_list.h"

#include <QActionGroup>
#include <QHBoxLayout>
#include <QLabel>
#include <QMenu>
#include <QVBoxLayout>
#include <QWheelEvent>
#include <algorithm>

namespace baryton {

namespace {

constexpr int kBeside = 16; ///< what of the panel is not thumbnail

/// Sorts and filters what the model says. What is being worked on stays in the tray whatever the filter says of it
/// now: its first edit makes a picture a graded one.
class TrayOrder : public QSortFilterProxyModel {
public:
    TrayOrder(const AppState& state, QObject* parent) : QSortFilterProxyModel(parent), state_(state) {}
    enum class Show { All, Graded, NotGraded } show = Show::All;
    void refresh() { invalidateFilter(); }

protected:
    bool filterAcceptsRow(int row, const QModelIndex&) const override {
        if (show == Show::All || row == state_.key()) return true;
        const auto& chosen = state_.selection();
        if (std::find(chosen.begin(), chosen.end(), row) != chosen.end()) return true;
        const bool graded = sourceModel()->index(row, 0).data(PictureModel::GradedRole).toBool();
        return graded == (show == Show::Graded);
    }

private:
    const AppState& state_;
};

} // namespace

TrayPanel::TrayPanel(AppState& state, QWidget* parent)
    : QWidget(parent), state_(state), model_(new PictureModel(state.pictures(), this)),
      sorted_(new TrayOrder(state, this)), list_(new StillList), delegate_(new ThumbnailDelegate(list_)) {
    setObjectName(QStringLiteral("panel"));
    setAttribute(Qt::WA_StyledBackground);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(4, 4, 0, 0);
    layout->setSpacing(4);
    auto* head = new QHBoxLayout;
    head->setSpacing(0);
    auto* name = makeLabel({}, "second");
    head->addWidget(name, 1);
    auto* more = makeButton({}, "flat");
    more->setIcon(theme::icon(QStringLiteral("more")));
    more->setAccessibleName(tr("Order and size of the tray"));
    more->setToolTip(tr("Order, filter and size of the thumbnails"));
    more->setFixedWidth(26);
    head->addWidget(more);
    layout->addLayout(head);
    sorted_->setSourceModel(model_);
    sorted_->setDynamicSortFilter(true);
    list_->setModel(sorted_);
    list_->setItemDelegate(delegate_);
    list_->setAccessibleName(tr("Tray"));
    list_->setSelectionMode(QAbstractItemView::ExtendedSelection);
    list_->setSelectionRectVisible(true);
    list_->setDragEnabled(true);
    list_->setDragDropMode(QAbstractItemView::DragOnly);
    list_->setMouseTracking(true);
    list_->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    list_->setStyleSheet(QStringLiteral("QListView { background: transparent; }"));
    list_->viewport()->installEventFilter(this);
    layout->addWidget(list_, 1);

    auto* menu = new QMenu(more);
    auto* orders = new QActionGroup(menu);
    const auto addOrder = [&](const QString& text, int role, bool descending) {
        auto* action = orders->addAction(text);
        action->setCheckable(true);
        menu->addAction(action);
        connect(action, &QAction::triggered, this, [this, role, descending] {
            if (role < 0) {
                sorted_->sort(-1); // as they were opened
                return;
            }
            sorted_->setSortRole(role);
            sorted_->sort(0, descending ? Qt::DescendingOrder : Qt::AscendingOrder);
        });
        return action;
    };
    addOrder(tr("As opened"), -1, false)->setChecked(true);
    addOrder(tr("By name"), Qt::DisplayRole, false);
    addOrder(tr("Newest first"), PictureModel::ModifiedRole, true);
    addOrder(tr("Graded first"), PictureModel::GradedRole, true);
    menu->addSeparator();
    auto* filters = new QActionGroup(menu);
    const auto addFilter = [&](const QString& text, TrayOrder::Show show) {
        auto* action = filters->addAction(text);
        action->setCheckable(true);
        menu->addAction(action);
        connect(action, &QAction::triggered, this, [this, show] {
            auto* order = static_cast<TrayOrder*>(sorted_);
            order->show = show;
            order->refresh();
        });
        return action;
    };
    addFilter(tr("All pictures"), TrayOrder::Show::All)->setChecked(true);
    addFilter(tr("Graded only"), TrayOrder::Show::Graded);
    addFilter(tr("Not yet graded"), TrayOrder::Show::NotGraded);
    menu->addSeparator();
    for (const auto& [text, width] : {std::pair(tr("Small thumbnails"), 112), std::pair(tr("Middle thumbnails"), 168),
                                      std::pair(tr("Large thumbnails"), 256)})
        menu->addAction(text, this, [this, w = width] { setThumbnailWidth(w); });
    connect(more, &QPushButton::clicked, menu,
            [menu, more] { menu->popup(more->mapToGlobal(QPoint(0, more->height()))); });

    name_ = name;
    connect(&state.pictures(), &PictureSet::opened, this, [this] {
        anchor_ = -1;
        showName();
    });
    connect(list_->selectionModel(), &QItemSelectionModel::currentChanged, this, [this](const QModelIndex& index) {
        if (index.isValid() && !showing_) state_.setKey(pictureAt(index.row()));
    });
    connect(list_->selectionModel(), &QItemSelectionModel::selectionChanged, this, &TrayPanel::takeSelection);
    connect(&state, &AppState::keyChanged, this, &TrayPanel::showSelection);
    connect(&state, &AppState::targetsChanged, this, &TrayPanel::showSelection);
    delegate_->setWidth(lastWidth() - kBeside);
}

int TrayPanel::lastWidth() {
    const int last = layoutState(QStringLiteral("tray-width")).toInt();
    return last >= kLeastWidth && last <= kMostWidth ? last : kLeastWidth;
}

void TrayPanel::showName() {
    const int count = state_.pictures().size();
    const QString whole = QStringLiteral("%1 · %2").arg(state_.pictures().name()).arg(count);
    // A name that would be cut says less than none.
    const bool fits = name_->fontMetrics().horizontalAdvance(whole) < width() - 38;
    name_->setText(fits ? whole : tr("%n pictures", nullptr, count));
    name_->setToolTip(state_.pictures().name());
}

int TrayPanel::rowOf(int picture) const {
    return sorted_->mapFromSource(model_->index(picture)).row();
}

int TrayPanel::pictureAt(int row) const {
    return sorted_->mapToSource(sorted_->index(row, 0)).row();
}

void TrayPanel::takeSelection() {
    if (showing_) return;
    std::vector<int> chosen;
    for (const auto& index : list_->selectionModel()->selectedIndexes())
        chosen.push_back(sorted_->mapToSource(index).row());
    if (std::find(chosen.begin(), chosen.end(), state_.key()) == chosen.end() && state_.hasKey())
        chosen.push_back(state_.key()); // the key picture is always one of them
    state_.setSelection(std::move(chosen));
}

void TrayPanel::chooseUpTo(int row) {
    const int from = std::max(0, rowOf(anchor_ >= 0 ? anchor_ : state_.key()));
    std::vector<int> chosen;
    for (int each = std::min(from, row); each <= std::max(from, row); ++each) chosen.push_back(pictureAt(each));
    state_.setKey(pictureAt(row));
    state_.setSelection(std::move(chosen));
}

void TrayPanel::showSelection() {
    showing_ = true;
    delegate_->setEditsAll(state_.editsAll());
    list_->viewport()->update();
    static_cast<TrayOrder*>(sorted_)->refresh(); // what is no longer worked on may go
    QItemSelection chosen;
    for (const int picture : state_.selection())
        if (const int row = rowOf(picture); row >= 0) chosen.select(sorted_->index(row, 0), sorted_->index(row, 0));
    list_->selectionModel()->select(chosen, QItemSelectionModel::ClearAndSelect);
    if (const int row = rowOf(state_.key()); row >= 0 && state_.hasKey()) {
        list_->selectionModel()->setCurrentIndex(sorted_->index(row, 0), QItemSelectionModel::NoUpdate);
        list_->scrollTo(sorted_->index(row, 0));
    }
    showing_ = false;
}

void TrayPanel::setThumbnailWidth(int width) {
    Q_EMIT widthWanted(width);
}

void TrayPanel::resizeEvent(QResizeEvent*) {
    rememberLayout(QStringLiteral("tray-width"), QByteArray::number(width()));
    delegate_->setWidth(width() - kBeside);
    list_->doItemsLayout();
    if (state_.pictures().size() > 0) showName();
}

bool TrayPanel::eventFilter(QObject* watched, QEvent* event) {
    if (event->type() == QEvent::MouseButtonPress) {
        const auto* press = static_cast<QMouseEvent*>(event);
        const QModelIndex at = list_->indexAt(press->position().toPoint());
        if (press->button() == Qt::LeftButton && at.isValid()) {
            const int picture = pictureAt(at.row());
            if (press->modifiers() == Qt::ControlModifier || press->modifiers() == Qt::ShiftModifier) {
                list_->setFocus();
                if (press->modifiers() == Qt::ControlModifier)
                    state_.toggleChosen(picture);
                else
                    chooseUpTo(at.row());
            }
            if (press->modifiers() != Qt::ShiftModifier) anchor_ = picture;
            if (press->modifiers() != Qt::NoModifier) return true;
        }
    }
    if (event->type() == QEvent::MouseButtonDblClick &&
        static_cast<QMouseEvent*>(event)->modifiers() == Qt::ControlModifier)
        return true;
    if (event->type() == QEvent::Wheel) {
        const auto* wheel = static_cast<QWheelEvent*>(event);
        if (wheel->modifiers() & Qt::ControlModifier) {
            constexpr int step = 28;
            setThumbnailWidth(
                std::clamp(width() + (wheel->angleDelta().y() > 0 ? step : -step), kLeastWidth, kMostWidth));
            return true;
        }
    }
    return QWidget::eventFilter(watched, event);
}

} // namespace baryton
