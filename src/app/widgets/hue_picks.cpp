#include "app/widgets/hue_picks.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "app/widgets/still_text.h"

#include <QHBoxLayout>
#include <QPainter>
#include <QStackedLayout>
#include <cmath>

namespace baryton {

namespace {

constexpr int kSwatch = 21;

/// A small button that shows a hue: full for a sample's own, a ring for what lies opposite.
class HueButton : public QPushButton {
public:
    explicit HueButton(bool isRing) : isRing_(isRing) {
        setFixedSize(kSwatch, kSwatch);
        setAutoDefault(false);
    }
    void show(const QString& label, const QColor& colour) {
        label_ = label, colour_ = colour;
        update();
    }

protected:
    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        p.setRenderHint(QPainter::Antialiasing);
        const auto& c = theme::colours();
        const QRectF box = QRectF(rect()).adjusted(2.5, 2.5, -2.5, -2.5);
        p.setPen(QPen(hasFocus() || underMouse() ? c.text : c.edge, 1));
        p.setBrush(colour_);
        p.drawEllipse(box);
        if (isRing_) {
            p.setPen(Qt::NoPen);
            p.setBrush(c.panel);
            p.drawEllipse(box.adjusted(3.5, 3.5, -3.5, -3.5));
            return;
        }
        p.setPen(QColor(Qt::black));
        QFont font = this->font();
        font.setPixelSize(10);
        font.setWeight(QFont::DemiBold);
        p.setFont(font);
        p.drawText(rect(), Qt::AlignCenter, label_);
    }

private:
    bool isRing_;
    QString label_;
    QColor colour_;
};

} // namespace

HuePicks::HuePicks(std::function<QColor(double)> colourOf, QWidget* parent)
    : QWidget(parent), colourOf_(std::move(colourOf)), show_(makeButton(tr("Show where"), "")) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(4);
    auto* row = new QHBoxLayout;
    row->setSpacing(4);
    auto* pick = makeButton(tr("Hue from picture…"), "");
    pick->setToolTip(tr("Press on a colour in the picture, or in the reference picture, to take its hue"));
    show_->setToolTip(tr("Held, only what has this hue stays lit on the picture"));
    row->addWidget(pick);
    row->addWidget(show_);
    row->addStretch(1);
    layout->addLayout(row);
    // Always as high, with pins or without.
    auto* place = new QWidget;
    place->setFixedHeight(kSwatch + 2);
    auto* stack = new QStackedLayout(place);
    stack->setStackingMode(QStackedLayout::StackOne);
    auto* pins = new QWidget;
    auto* swatches = new QHBoxLayout(pins);
    swatches->setContentsMargins(0, 0, 0, 0);
    swatches->setSpacing(1);
    for (int i = 0; i < kMost; ++i) {
        own_[i] = new HueButton(false);
        opposite_[i] = new HueButton(true);
        for (QPushButton* each : {own_[i], opposite_[i]}) {
            swatches->addWidget(each);
            each->hide();
        }
        swatches->addSpacing(5);
        connect(own_[i], &QPushButton::clicked, this, [this, i] { Q_EMIT taken(pins_[i].hue); });
        connect(opposite_[i], &QPushButton::clicked, this, [this, i] { Q_EMIT taken(pins_[i].opposite); });
    }
    swatches->addStretch(1);
    auto* hint = new StillText(1);
    hint->setText(tr("Hues of sample points: right click on the picture"));
    hint_ = hint;
    stack->addWidget(hint);
    stack->addWidget(pins);
    layout->addWidget(place);
    connect(pick, &QPushButton::clicked, this, &HuePicks::pickWanted);
    connect(show_, &QPushButton::pressed, this, [this] { Q_EMIT shown(true); });
    connect(show_, &QPushButton::released, this, [this] { Q_EMIT shown(false); });
}

void HuePicks::setPins(const QVector<Pin>& pins) {
    if (pins == pins_) return;
    pins_ = pins;
    for (int i = 0; i < kMost; ++i) {
        const bool has = i < pins_.size();
        own_[i]->setVisible(has);
        opposite_[i]->setVisible(has);
        if (!has) continue;
        static_cast<HueButton*>(own_[i])->show(pins_[i].label, colourOf_(pins_[i].hue));
        static_cast<HueButton*>(opposite_[i])->show(pins_[i].label, colourOf_(pins_[i].opposite));
        const QString own = tr("Hue of sample %1: %2°").arg(pins_[i].label).arg(std::lround(pins_[i].hue));
        const QString opposite =
            tr("Opposite of sample %1: %2°").arg(pins_[i].label).arg(std::lround(pins_[i].opposite));
        own_[i]->setAccessibleName(own);
        own_[i]->setToolTip(own);
        opposite_[i]->setAccessibleName(opposite);
        opposite_[i]->setToolTip(opposite);
    }
    static_cast<QStackedLayout*>(hint_->parentWidget()->layout())->setCurrentIndex(pins_.isEmpty() ? 0 : 1);
}

} // namespace baryton
