#include "app/grade/chain_scroll.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"

#include <QScrollBar>
#include <QTransform>
#include <QWheelEvent>

namespace baryton {

namespace {
constexpr int kButton = 20;
}

ChainScroll::ChainScroll(QWidget* chain, QWidget* parent)
    : QScrollArea(parent), earlier_(makeButton({}, "end", this)), later_(makeButton({}, "end", this)) {
    setWidgetResizable(true);
    setFrameShape(QFrame::NoFrame);
    setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setWidget(chain);
    const QPixmap right = theme::icon(QStringLiteral("right")).pixmap(32, 32);
    later_->setIcon(right);
    earlier_->setIcon(right.transformed(QTransform().scale(-1, 1)));
    earlier_->setAccessibleName(tr("Earlier stages"));
    later_->setAccessibleName(tr("Later stages"));
    earlier_->setToolTip(tr("There is more of the chain this way"));
    later_->setToolTip(tr("There is more of the chain this way"));
    // When the one that was pressed goes, the focus would go on to a card far off and the chain with it. By keys one
    // walks the cards.
    for (QPushButton* each : {earlier_, later_}) each->setFocusPolicy(Qt::NoFocus);
    const auto go = [this](int way) {
        horizontalScrollBar()->setValue(horizontalScrollBar()->value() + way * (viewport()->width() - 120));
    };
    connect(earlier_, &QPushButton::clicked, this, [go] { go(-1); });
    connect(later_, &QPushButton::clicked, this, [go] { go(1); });
    connect(horizontalScrollBar(), &QScrollBar::valueChanged, this, &ChainScroll::update);
    connect(horizontalScrollBar(), &QScrollBar::rangeChanged, this, &ChainScroll::update);
    update();
}

void ChainScroll::resizeEvent(QResizeEvent* event) {
    QScrollArea::resizeEvent(event);
    earlier_->setGeometry(0, 0, kButton, height());
    later_->setGeometry(width() - kButton, 0, kButton, height());
    update();
}

void ChainScroll::wheelEvent(QWheelEvent* event) {
    // The only way there is: a plain wheel goes along the chain.
    const QPoint turned = event->angleDelta();
    horizontalScrollBar()->setValue(horizontalScrollBar()->value() - (turned.x() != 0 ? turned.x() : turned.y()));
    event->accept();
}

void ChainScroll::update() {
    const QScrollBar* bar = horizontalScrollBar();
    earlier_->setVisible(bar->value() > bar->minimum());
    later_->setVisible(bar->value() < bar->maximum());
}

} // namespace baryton
