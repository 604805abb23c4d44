#include "app/grade/tone_editors.h"
#include "app/grade/miniatures.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "app/widgets/scope_view.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "stages/gradient_map.h"

#include <QGridLayout>
#include <QHBoxLayout>
#include <algorithm>
#include <cmath>
#include <numbers>

namespace baryton {

namespace {
constexpr const char* kLevelChannels[] = {"rgb", "r", "g", "b"};
constexpr const char* kLevelParameters[] = {"in.black", "gamma", "in.white", "out.black", "out.white"};
} // namespace

LevelsEditor::LevelsEditor(AppState& state, const std::string& stageId, QWidget* parent)
    : StageEditor(state, stageId, parent), channels_(new Segments({tr("RGB"), tr("Red"), tr("Green"), tr("Blue")})),
      input_(new HandleBar(tr("What comes in"))), output_(new HandleBar(tr("What goes out"))) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(6);
    channels_->setAccessibleName(tr("Channel"));
    channels_->setCurrent(0);
    layout->addWidget(channels_);
    input_->setFixedHeight(150);
    input_->setToolTip(
        tr("What is left of the dark handle becomes black, right of the light one white; the middle one bends"));
    layout->addWidget(input_);
    output_->setFixedHeight(46);
    output_->setRamp([](double at) { return QColor::fromRgbF(float(at), float(at), float(at)); });
    output_->setToolTip(tr("The darkest and the lightest that come out"));
    layout->addWidget(output_);
    const QString names[] = {tr("Black in"), tr("Gamma"), tr("White in"), tr("Black out"), tr("White out")};
    for (int c = 0; c < 4; ++c) {
        pages_[c] = new QWidget;
        auto* rows = new QVBoxLayout(pages_[c]);
        rows->setContentsMargins(0, 0, 0, 0);
        rows->setSpacing(4);
        for (int i = 0; i < 5; ++i)
            addRow(rows, std::string(kLevelChannels[c]) + "." + kLevelParameters[i], names[i]);
        layout->addWidget(pages_[c]);
    }
    addLimits(layout);
    layout->addStretch(1);
    connect(channels_, &Segments::chosen, this, [this] {
        showChannel();
        refresh();
    });
    connect(input_, &HandleBar::moved, this, [this](int handle, double at, bool settled) {
        const double black = number(id("in.black")), white = number(id("in.white"));
        if (handle == 0) set({{id("in.black"), std::min(at, type().parameter(id("in.black"))->maximum)}}, settled);
        if (handle == 2) set({{id("in.white"), std::max(at, type().parameter(id("in.white"))->minimum)}}, settled);
        if (handle == 1) {
            // The tone under the middle handle comes out half-way.
            const double share = std::clamp((at - black) / std::max(0.01, white - black), 0.02, 0.98);
            const ParameterType& gamma = *type().parameter(id("gamma"));
            const double wanted = std::log(share) / std::log(0.5);
            set({{id("gamma"), std::clamp(std::round(wanted * 100) / 100, gamma.minimum, gamma.maximum)}}, settled);
        }
    });
    connect(input_, &HandleBar::resetWanted, this, [this](int handle) {
        const char* parameter = kLevelParameters[handle];
        set({{id(parameter), type().parameter(id(parameter))->defaultValue}}, true);
    });
    connect(output_, &HandleBar::moved, this, [this](int handle, double at, bool settled) {
        set({{id(handle == 0 ? "out.black" : "out.white"), at}}, settled);
    });
    connect(output_, &HandleBar::resetWanted, this, [this](int handle) {
        set({{id(handle == 0 ? "out.black" : "out.white"), handle == 0 ? 0.0 : 1.0}}, true);
    });
    showChannel();
    LevelsEditor::refresh();
}

std::string LevelsEditor::id(const char* parameter) const {
    return std::string(kLevelChannels[channels_->current()]) + "." + parameter;
}

void LevelsEditor::showChannel() {
    for (int c = 0; c < 4; ++c) pages_[c]->setVisible(c == channels_->current());
    const int order[] = {3, 0, 1, 2}; // the histogram of lumas stands for all channels
    input_->setHistogram(counts_[order[channels_->current()]]);
}

void LevelsEditor::setInput(const QVector<double> (&counts)[4]) {
    for (int i = 0; i < 4; ++i) counts_[i] = counts[i];
    limits()->setHistogram(counts[3]);
    showChannel();
}

void LevelsEditor::refresh() {
    const double black = number(id("in.black")), white = number(id("in.white"));
    const double middle = black + (white - black) * std::pow(0.5, number(id("gamma")));
    input_->setHandles({{black, Qt::black, {}}, {middle, QColor(0x80, 0x80, 0x80), {}}, {white, Qt::white, {}}});
    output_->setHandles({{number(id("out.black")), Qt::black, {}}, {number(id("out.white")), Qt::white, {}}});
    refreshRows();
}

namespace {

std::string stopId(int stop, const char* parameter) {
    return "stop" + std::to_string(stop + 1) + "." + parameter;
}

QColor colourOf(double r, double g, double b) {
    const auto held = [](double v) { return static_cast<float>(std::clamp(v, 0.0, 1.0)); };
    return QColor::fromRgbF(held(r), held(g), held(b));
}

} // namespace

namespace {

constexpr double kFullChroma = 0.5; ///< CbCr units at the disc's rim

/// A stop's colour as the disc shows it, and its luma.
struct Tint {
    QPointF at;
    double light = 0;
};

Tint tintOf(const Vec3& colour) {
    const auto [cb, cr] = chromaPlane(colour);
    return {QPointF(cb, cr) / kFullChroma, luma(colour[0], colour[1], colour[2])};
}

/// And back: the luma gives way where it can't hold so much colour (black holds none), the chroma where no luma can.
Vec3 colourOfTint(const Tint& tint) {
    Vec3 colour = hueDirection(ColourDisc::angleOf(tint.at));
    double down = 0, up = 0; // how far a chroma of 1 reaches below and above the luma
    for (const double d : colour) down = std::max(down, -d), up = std::max(up, d);
    const double chroma = std::min(ColourDisc::amountOf(tint.at) * kFullChroma, 1 / (down + up));
    const double light = std::clamp(tint.light, chroma * down, 1 - chroma * up);
    for (double& c : colour) c = std::clamp(light + chroma * c, 0.0, 1.0);
    return colour;
}

} // namespace

GradientEditor::GradientEditor(AppState& state, const std::string& stageId, QWidget* parent)
    : StageEditor(state, stageId, parent), ramp_(new HandleBar(tr("Gradient"))) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(6);
    ramp_->setFixedHeight(104);
    ramp_->setToolTip(tr("Drag the stops; a double click beside them adds one, on one takes it away"));
    layout->addWidget(ramp_);
    auto* chosen = new QHBoxLayout;
    chosen->setSpacing(10);
    disc_ = new ColourDisc(hueColour, kFullChroma);
    disc_->setAccessibleName(tr("Stop colour"));
    disc_->setFixedSize(150, 150);
    disc_->setSkinLine(kSkinLineDegrees);
    disc_->setToolTip(
        tr("Pull the stop toward a colour, over those of the picture. A double click brings it there."));
    chosen->addWidget(disc_);
    auto* tools = new QVBoxLayout;
    tools->addStretch(1);
    auto* pick = makeButton(tr("Colour from picture…"), "");
    pick->setToolTip(tr("Press on a colour in the picture, or in the reference picture, to give it to this stop"));
    opposite_ = makeButton({}, "");
    opposite_->setToolTip(tr("Gives the stop at the other end the hue that lies opposite, as strong as this one"));
    tools->addWidget(pick);
    tools->addWidget(opposite_);
    tools->addStretch(1);
    chosen->addLayout(tools, 1);
    layout->addLayout(chosen);
    light_ = new ValueRow(tr("Lightness"));
    light_->setRange(0, 100, 1, 0);
    light_->setToolTip(tr("How light the stop is; its colour stays as far as it can"));
    layout->addWidget(light_);
    for (int s = 0; s < 8; ++s) {
        pages_[s] = new QWidget;
        auto* rows = new QVBoxLayout(pages_[s]);
        rows->setContentsMargins(0, 0, 0, 0);
        rows->setSpacing(4);
        addRow(rows, stopId(s, "position"), tr("Stop %1 at").arg(s + 1));
        addRow(rows, stopId(s, "r"), tr("Red"));
        addRow(rows, stopId(s, "g"), tr("Green"));
        addRow(rows, stopId(s, "b"), tr("Blue"));
        layout->addWidget(pages_[s]);
    }
    connect(disc_, &ColourDisc::edited, this, [this](int, QPointF at, bool settled) {
        // A luma that gave way to a colour comes back as the colour goes, while the hand is on the disc.
        if (!asked_) asked_ = shown_.light;
        const Tint tint{at, *asked_};
        if (settled) asked_.reset();
        setColour(ramp_->chosen(), colourOfTint(tint), settled);
    });
    connect(light_, &ValueRow::edited, this, [this](double percent, bool settled) {
        if (!askedAt_) askedAt_ = shown_.at;
        const Tint tint{*askedAt_, percent / 100};
        if (settled) askedAt_.reset();
        setColour(ramp_->chosen(), colourOfTint(tint), settled);
    });
    connect(pick, &QPushButton::clicked, this, [this] {
        Q_EMIT pickWanted(tr("Press on the colour that the stop is to have"),
                          [this, stop = ramp_->chosen()](const PickedColour& c) {
                              Vec3 colour;
                              for (std::size_t k = 0; k < 3; ++k)
                                  colour[k] = std::round(std::clamp(double(c.input[k]), 0.0, 1.0) * 100) / 100;
                              setColour(stop, colour, true);
                          });
    });
    connect(opposite_, &QPushButton::clicked, this, [this] {
        const int other = otherEnd();
        setColour(other, colourOfTint({-shown_.at, tintOf(colourOfStop(other)).light}), true);
    });
    addRow(layout, "amount");
    addChoice(layout, "blend");
    addChoice(layout, "space");
    addLimits(layout);
    layout->addStretch(1);
    connect(ramp_, &HandleBar::chosenChanged, this, &GradientEditor::showStop);
    connect(ramp_, &HandleBar::moved, this, [this](int handle, double at, bool settled) {
        set({{stopId(handle, "position"), std::round(at * 1000) / 1000}}, settled);
    });
    connect(ramp_, &HandleBar::resetWanted, this, [this](int handle) {
        auto all = stops();
        if (all.size() <= 2) return;
        all.erase(all.begin() + handle);
        setStops(std::move(all), true);
    });
    connect(ramp_, &HandleBar::addWanted, this, [this](double at) {
        auto all = stops();
        if (all.size() >= 8) return;
        const Vec3 colour = gradientColour(stage(), at);
        const auto behind = std::find_if(all.begin(), all.end(), [at](const Stop& s) { return s.at > at; });
        const auto index = behind - all.begin();
        all.insert(behind, {at, colour[0], colour[1], colour[2]});
        setStops(std::move(all), true);
        ramp_->choose(static_cast<int>(index));
    });
    GradientEditor::refresh();
    showStop(0);
}

std::vector<GradientEditor::Stop> GradientEditor::stops() const {
    std::vector<Stop> all;
    const int count = static_cast<int>(std::lround(number("stops")));
    for (int s = 0; s < count; ++s)
        all.push_back(
            {number(stopId(s, "position")), number(stopId(s, "r")), number(stopId(s, "g")), number(stopId(s, "b"))});
    return all;
}

void GradientEditor::setStops(std::vector<Stop> all, bool settled) {
    std::map<std::string, Value> values{{"stops", double(all.size())}};
    for (int s = 0; s < static_cast<int>(all.size()); ++s) {
        const Stop& stop = all[static_cast<std::size_t>(s)];
        values[stopId(s, "position")] = stop.at;
        values[stopId(s, "r")] = stop.r, values[stopId(s, "g")] = stop.g, values[stopId(s, "b")] = stop.b;
    }
    set(values, settled);
}

int GradientEditor::otherEnd() const {
    const auto all = stops();
    const auto chosen = static_cast<std::size_t>(ramp_->chosen());
    const bool isDark = chosen < all.size() && all[chosen].at < (all.front().at + all.back().at) / 2;
    return isDark ? static_cast<int>(all.size()) - 1 : 0;
}

Vec3 GradientEditor::colourOfStop(int stop) const {
    return {number(stopId(stop, "r")), number(stopId(stop, "g")), number(stopId(stop, "b"))};
}

void GradientEditor::setColour(int stop, const Vec3& colour, bool settled) {
    const char* channels[] = {"r", "g", "b"};
    constexpr double steps = 10000; // finer than anything that is shown
    std::map<std::string, Value> values;
    for (std::size_t k = 0; k < 3; ++k) values[stopId(stop, channels[k])] = std::round(colour[k] * steps) / steps;
    set(values, settled);
}

void GradientEditor::showStop(int stop) {
    for (int s = 0; s < 8; ++s) pages_[s]->setVisible(s == stop);
    const Vec3 colour = colourOfStop(stop);
    const Tint shown = tintOf(colour);
    shown_ = {shown.at, shown.light};
    disc_->setHandles({{tr("Stop %1").arg(stop + 1), colourOf(colour[0], colour[1], colour[2]), false, shown.at}});
    light_->setValue(shown.light * 100);
    opposite_->setText(otherEnd() == 0 ? tr("Opposite → shadows") : tr("Opposite → lights"));
}

void GradientEditor::setInput(const QVector<double> (&counts)[4]) {
    ramp_->setHistogram(counts[3]);
    limits()->setHistogram(counts[3]);
}

void GradientEditor::setInputPicture(const Picture& picture) {
    constexpr int side = 192;
    disc_->setTrace(traceOf(vectorscopeOf(picture, side)));
}

void GradientEditor::refresh() {
    QVector<HandleBar::Handle> handles;
    for (const Stop& stop : stops()) handles.append({stop.at, colourOf(stop.r, stop.g, stop.b), {}});
    const Stage now = stage();
    ramp_->setRamp([this, now](double at) {
        const Vec3 c = gradientColour(now, at);
        return colourOf(c[0], c[1], c[2]);
    });
    ramp_->setHandles(handles);
    showStop(ramp_->chosen());
    refreshRows();
}

ChannelMixEditor::ChannelMixEditor(AppState& state, const std::string& stageId, QWidget* parent)
    : StageEditor(state, stageId, parent) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(8);
    auto* summary = makeLabel(tr("Down: the channel that is made. Across: how much of each goes into it."), "second");
    summary->setWordWrap(true);
    layout->addWidget(summary);
    auto* grid = new QGridLayout;
    grid->setSpacing(4);
    const char* ids[] = {"red", "green", "blue"};
    const QString names[] = {tr("Red"), tr("Green"), tr("Blue")},
                  froms[] = {tr("red"), tr("green"), tr("blue"), tr("offset")};
    const auto& c = theme::colours();
    const QColor washes[] = {c.red, c.green, c.blue, c.text};
    for (int column = 0; column < 4; ++column) {
        auto* head = makeLabel(froms[column], "section");
        head->setAlignment(Qt::AlignCenter);
        grid->addWidget(head, 0, column + 1);
    }
    for (int row = 0; row < 3; ++row) {
        grid->addWidget(new QLabel(names[row]), row + 1, 0);
        for (int column = 0; column < 4; ++column) {
            const std::string id =
                std::string(ids[row]) + (column < 3 ? std::string(".from.") + ids[column] : ".offset");
            const ParameterType& p = *type().parameter(id);
            auto* made = new ScrubCell(QString::fromStdString(p.name), shownNumber(p, p.minimum),
                                       shownNumber(p, p.maximum), shownNumber(p, std::get<double>(p.defaultValue)));
            made->setToolTip(QString::fromStdString(p.tooltip));
            made->setWash([wash = washes[column]](double) { return wash; });
            made->setMinimumHeight(32);
            grid->addWidget(made, row + 1, column + 1);
            cells_[row][column] = made;
            connect(made, &ScrubCell::edited, this, [this, id, &p](double v, bool settled) {
                set({{id, storedNumber(p, v)}}, settled);
            });
        }
    }
    layout->addLayout(grid);
    addToggle(layout, "keep.sums");
    addLimits(layout);
    layout->addStretch(1);
    ChannelMixEditor::refresh();
}

void ChannelMixEditor::refresh() {
    const char* ids[] = {"red", "green", "blue"};
    for (int row = 0; row < 3; ++row)
        for (int column = 0; column < 4; ++column)
            cells_[row][column]->setValue(
                100 * number(std::string(ids[row]) + (column < 3 ? std::string(".from.") + ids[column] : ".offset")));
    refreshRows();
}

} // namespace baryton
