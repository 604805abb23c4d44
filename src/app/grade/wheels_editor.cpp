#include "app/grade/editors.h"
#include "app/grade/miniatures.h"
#include "app/widgets/labels.h"
#include "colour/transfer.h"

#include <QHBoxLayout>
#include <QMenu>
#include <QStackedWidget>
#include <cmath>

namespace baryton {

namespace {
constexpr const char* kRanges[] = {"shadows", "midtones", "highlights", "whole"};
constexpr int kWhole = 3;
} // namespace

WheelsEditor::WheelsEditor(AppState& state, const std::string& stageId, QWidget* parent)
    : StageEditor(state, stageId, parent), disc_(new ColourDisc(hueColour, kWheelReach)) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(6);
    const QString names[] = {tr("Shadows"), tr("Midtones"), tr("Highlights"), tr("Whole")};
    axis_ = new ToneAxis({names[0], names[1], names[2], names[kWhole]});
    disc_->setFixedHeight(240);
    disc_->setSkinLine(kSkinLineDegrees);
    disc_->setAccessibleName(tr("Colours of the tones"));
    disc_->setToolTip(
        tr("Pull a handle, or from anywhere the chosen one, toward a colour: the colours of the picture "
           "go along. A double click brings it there; the middle pulls nothing."));
    axis_->setAccessibleName(tr("Levels of the tones"));
    axis_->setToolTip(tr("Pull up for lighter and down for darker; the marks at the foot say where shadows end and "
                         "highlights begin. A double click takes back."));
    layout->addWidget(disc_);
    layout->addWidget(axis_);
    auto* pages = new QStackedWidget;
    for (int i = 0; i < 4; ++i) {
        const std::string id = kRanges[i];
        typed_[i] = new QWidget;
        auto* rows = new QVBoxLayout(typed_[i]);
        rows->setContentsMargins(0, 0, 0, 0);
        rows->setSpacing(4);
        addRow(rows, id + ".hue", tr("%1 hue").arg(names[i]));
        addRow(rows, id + ".amount", tr("Amount"));
        addRow(rows, id + ".level", tr("Level"));
        pages->addWidget(typed_[i]);
    }
    layout->addWidget(pages);
    addHuePicks(layout, [this] { return std::string(kRanges[chosen()]) + ".hue"; });
    auto* opposite = makeButton(tr("Opposite to…"), "");
    opposite->setToolTip(tr("Gives another range the hue that lies opposite, at the same amount"));
    auto* menu = new QMenu(opposite);
    for (int i = 0; i < 4; ++i) menu->addAction(names[i], this, [this, i] { giveOpposite(i); });
    opposite->setMenu(menu);
    layout->addWidget(opposite, 0, Qt::AlignLeft);
    layout->addWidget(makeLabel(tr("WHERE THE RANGES LIE"), "section"));
    for (const char* id : {"shadows.pivot", "highlights.pivot", "softness"}) addRow(layout, id);
    addLimits(layout);
    layout->addStretch(1);

    const auto page = [this, pages](int range) {
        pages->setCurrentIndex(range);
        disc_->choose(range);
        axis_->choose(range);
    };
    connect(disc_, &ColourDisc::chosenChanged, this, page);
    connect(axis_, &ToneAxis::chosenChanged, this, page);
    connect(disc_, &ColourDisc::edited, this, [this](int range, QPointF at, bool settled) {
        const std::string id = kRanges[range];
        std::map<std::string, Value> values{{id + ".amount", std::min(1.0, ColourDisc::amountOf(at))}};
        // In the middle there is no hue: the last one is kept for what comes next.
        if (!at.isNull()) values[id + ".hue"] = ColourDisc::angleOf(at);
        set(values, settled);
    });
    connect(disc_, &ColourDisc::held, this, [this](int range, bool rests) {
        if (range < 0 || range == kWhole || !rests) return light({});
        light([this, range](const std::array<float, 3>& c) {
            return weights(luma(c[0], c[1], c[2]))[static_cast<std::size_t>(range)];
        });
    });
    connect(axis_, &ToneAxis::levelEdited, this, [this](int range, double level, bool settled) {
        set({{std::string(kRanges[range]) + ".level", level}}, settled);
    });
    connect(axis_, &ToneAxis::levelResetWanted, this, [this](int range) {
        set({{std::string(kRanges[range]) + ".level", 0.0}}, true);
    });
    const auto mark = [this](int which, double tone, bool settled) {
        const std::string id = which == 0 ? "shadows.pivot" : "highlights.pivot";
        const ParameterType& p = *type().parameter(id);
        set({{id, std::clamp(tone, p.minimum, p.maximum)}}, settled);
    };
    connect(axis_, &ToneAxis::markEdited, this, mark);
    connect(axis_, &ToneAxis::markResetWanted, this, [this, mark](int which) {
        const ParameterType& p = *type().parameter(which == 0 ? "shadows.pivot" : "highlights.pivot");
        mark(which, std::get<double>(p.defaultValue), true);
    });
    axis_->setWeights([this](double tone) { return weights(tone); });
    WheelsEditor::refresh();
}

std::array<double, 3> WheelsEditor::weights(double tone) const {
    std::array<double, 3> w{};
    ranges_.weights(tone, w[0], w[1], w[2]);
    return w;
}

void WheelsEditor::giveOpposite(int range) {
    const std::string from = kRanges[chosen()], to = kRanges[range];
    if (from == to) return;
    set({{to + ".hue", std::fmod(number(from + ".hue") + 180, 360)}, {to + ".amount", number(from + ".amount")}},
        true);
    disc_->choose(range);
}

void WheelsEditor::setInput(const QVector<double> (&counts)[4]) {
    axis_->setHistogram(counts[3]);
    limits()->setHistogram(counts[3]);
}

void WheelsEditor::refresh() {
    const double k = number("softness"), shadows = number("shadows.pivot"),
                 highlights = std::max(number("highlights.pivot"), shadows);
    ranges_.shadowLow = static_cast<float>(shadows - k);
    ranges_.highlightLow = static_cast<float>(highlights - k);
    ranges_.perWidth = static_cast<float>(1 / (2 * k));
    const QColor fills[] = {QColor(0x1a, 0x1a, 0x1a), QColor(0x80, 0x80, 0x80), QColor(0xf2, 0xf2, 0xf2),
                            QColor(0x50, 0x50, 0x50)};
    const QString names[] = {tr("Shadows"), tr("Midtones"), tr("Highlights"), tr("Whole")};
    QVector<ColourDisc::Handle> handles;
    std::array<double, 4> levels{};
    for (int i = 0; i < 4; ++i) {
        const std::string id = kRanges[i];
        handles.append(
            {names[i], fills[i], i == kWhole, ColourDisc::pullOf(number(id + ".hue"), number(id + ".amount"))});
        levels[static_cast<std::size_t>(i)] = number(id + ".level");
    }
    disc_->setHandles(handles);
    disc_->setTrace(traceAfter());
    axis_->setLevels(levels);
    axis_->setMarks(number("shadows.pivot"), number("highlights.pivot"));
    refreshRows();
}

} // namespace baryton
