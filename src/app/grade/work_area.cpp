#include "app/grade/work_area.h"
#include "app/settings.h"

#include <QVBoxLayout>
#include <algorithm>

namespace baryton {

namespace {

constexpr int kSideWidth = 208, kEditorWidth = 330, kChainHeight = 150;

/// Gives a pane a size at the cost of another, the one that stretches.
void setPane(QSplitter* splitter, QWidget* pane, int size, QWidget* giver) {
    QList<int> sizes = splitter->sizes();
    const int at = splitter->indexOf(pane), from = splitter->indexOf(giver);
    sizes[from] = std::max(1, sizes[from] + sizes[at] - size);
    sizes[at] = size;
    splitter->setSizes(sizes);
}

} // namespace

WorkArea::WorkArea(const Panels& panels, QWidget* parent)
    : QWidget(parent), panels_(panels), across_(new QSplitter), columns_(new QSplitter),
      right_(new QSplitter(Qt::Vertical)) {
    panels_.chain->setFixedHeight(kChainHeight);
    panels_.side->setMinimumWidth(196);
    panels_.side->setMaximumWidth(480);
    for (QWidget* each : {panels_.editor, panels_.pinned}) {
        each->setMinimumWidth(kEditorWidth);
        each->setMaximumWidth(520);
    }
    for (QWidget* each : {panels_.tray, panels_.side, panels_.picture, panels_.pinned}) across_->addWidget(each);
    across_->setStretchFactor(across_->indexOf(panels_.picture), 1);
    auto* left = new QWidget;
    auto* rows = new QVBoxLayout(left);
    rows->setContentsMargins(0, 0, 0, 0);
    rows->setSpacing(1);
    rows->addWidget(across_, 1);
    rows->addWidget(panels_.chain);
    right_->addWidget(panels_.editor);
    right_->addWidget(panels_.scopes);
    right_->setStretchFactor(0, 1);
    columns_->addWidget(left);
    columns_->addWidget(right_);
    columns_->setStretchFactor(0, 1);
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(columns_);
    for (QSplitter* each : {across_, columns_, right_}) {
        each->setChildrenCollapsible(false);
        each->setHandleWidth(1);
    }
    panels_.side->hide();
    panels_.pinned->hide();
    const auto remember = [](QSplitter* splitter, const QString& name) {
        connect(splitter, &QSplitter::splitterMoved, splitter,
                [splitter, name] { rememberLayout(name, splitter->saveState()); });
    };
    remember(columns_, QStringLiteral("edge-columns"));
    remember(right_, QStringLiteral("edge-right"));
    connect(across_, &QSplitter::splitterMoved, this, [this] {
        if (hasSide_) rememberLayout(QStringLiteral("side-width"), QByteArray::number(panels_.side->width()));
    });
}

void WorkArea::restoreEdges() {
    columns_->setSizes({10'000, kEditorWidth});
    right_->setSizes({10'000, kChainHeight});
    columns_->restoreState(layoutState(QStringLiteral("edge-columns")));
    right_->restoreState(layoutState(QStringLiteral("edge-right")));
}

void WorkArea::showSide(bool shown) {
    hasSide_ = shown;
    fit();
    if (!shown) return;
    const int last = layoutState(QStringLiteral("side-width")).toInt();
    setPane(across_, panels_.side, last > 0 ? last : kSideWidth, panels_.picture);
}

void WorkArea::showPinned(bool shown) {
    hasPinned_ = shown;
    fit();
    if (shown) setPane(across_, panels_.pinned, kEditorWidth, panels_.picture);
}

void WorkArea::showPanels(bool shown) {
    areShown_ = shown;
    panels_.chain->setVisible(shown);
    right_->setVisible(shown);
    fit();
}

void WorkArea::setTrayWidth(int width) {
    setPane(across_, panels_.tray, width, panels_.picture);
}

void WorkArea::setScopeHeight(int height) {
    setPane(right_, panels_.scopes, height, panels_.editor);
    rememberLayout(QStringLiteral("edge-right"), right_->saveState());
}

void WorkArea::resizeEvent(QResizeEvent*) {
    constexpr int enough = 640; // for the tray, the shelf and a picture
    if (width() - right_->width() < enough && right_->width() > kEditorWidth)
        columns_->setSizes({width() - kEditorWidth, kEditorWidth});
    fit();
}

void WorkArea::fit() {
    const auto least = [](const QWidget* pane) { return pane->minimumWidth(); };
    int room = width() - least(panels_.editor) - panels_.picture->minimumSizeHint().width();
    if (hasSide_) room -= least(panels_.side);
    const bool pinnedFits = room >= least(panels_.pinned);
    if (hasPinned_ && pinnedFits) room -= least(panels_.pinned);
    panels_.side->setVisible(areShown_ && hasSide_);
    panels_.pinned->setVisible(areShown_ && hasPinned_ && pinnedFits);
    panels_.tray->setVisible(areShown_ && room >= least(panels_.tray));
}

} // namespace baryton
