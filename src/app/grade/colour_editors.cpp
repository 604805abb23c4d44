#include "app/grade/colour_editors.h"
#include "app/grade/miniatures.h"
#include "app/widgets/labels.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "render/scopes.h"
#include "stages/limits.h"
#include "stages/oklab.h"
#include "stages/primaries.h"

#include <QGridLayout>
#include <QHBoxLayout>
#include <cmath>

namespace baryton {

namespace {

constexpr int kBands = 12;
constexpr const char* kLanes[] = {"shift", "saturation", "lightness"};
constexpr double kShiftReach = 60; ///< degrees at the end of the shift lane

QVector<QColor> hueStrip() {
    QVector<QColor> colours;
    for (int hue = 0; hue < 360; hue += 2) colours.append(perceptualHueColour(hue));
    return colours;
}

} // namespace

HueBandsEditor::HueBandsEditor(AppState& state, const std::string& stageId, QWidget* parent)
    : StageEditor(state, stageId, parent), lanes_(new HueLanes(hueStrip())), rowsLayout_(new QVBoxLayout) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(6);
    lanes_->setToolTip(
        tr("Drag a handle up or down to change these hues, sideways to take others; double click resets"));
    layout->addWidget(lanes_);
    for (int band = 0; band < kBands; ++band) {
        auto* page = new QWidget;
        auto* rows = new QVBoxLayout(page);
        rows->setContentsMargins(0, 0, 0, 0);
        rows->setSpacing(4);
        const QString names[] = {tr("Band %1 hue").arg(band + 1),
                                 tr("Width"),
                                 tr("Feather"),
                                 tr("Shift"),
                                 tr("Saturation"),
                                 tr("Lightness")};
        const char* parameters[] = {"centre", "width", "feather", "shift", "saturation", "lightness"};
        for (int i = 0; i < 6; ++i) addRow(rows, id(band, parameters[i]), names[i]);
        page->setVisible(false);
        rowsLayout_->addWidget(page);
        rowsOf_.push_back(page);
    }
    layout->addLayout(rowsLayout_);
    auto* tools = new QHBoxLayout;
    addHuePick(
        tools, [this] { return id(lanes_->chosen(), "centre"); }, false);
    tools->addStretch(1);
    layout->addLayout(tools);
    addLimits(layout);
    layout->addStretch(1);
    connect(lanes_, &HueLanes::bandChosen, this, &HueBandsEditor::choose);
    connect(lanes_, &HueLanes::edited, this, [this](int band, int lane, const HueLanes::Band& b, bool settled) {
        if (lane < 0)
            set({{id(band, "centre"), b.centre}, {id(band, "width"), b.width}, {id(band, "feather"), b.feather}},
                settled);
        else
            set({{id(band, kLanes[lane]), b.value[lane] * (lane == HueLanes::Shift ? kShiftReach : 1.0)}}, settled);
    });
    HueBandsEditor::refresh();
    for (int band = kBands - 1; band >= 0; --band)
        if (number(id(band, "shift")) != 0 || number(id(band, "saturation")) != 0) lanes_->choose(band);
    choose(lanes_->chosen());
}

std::string HueBandsEditor::id(int band, const char* parameter) const {
    return "band" + std::to_string(band + 1) + "." + parameter;
}

void HueBandsEditor::choose(int band) {
    for (int i = 0; i < kBands; ++i) rowsOf_[static_cast<std::size_t>(i)]->setVisible(i == band);
}

void HueBandsEditor::refresh() {
    QVector<HueLanes::Band> bands;
    for (int i = 0; i < kBands; ++i)
        bands.append(
            {number(id(i, "centre")),
             number(id(i, "width")),
             number(id(i, "feather")),
             {number(id(i, "shift")) / kShiftReach, number(id(i, "saturation")), number(id(i, "lightness"))}});
    lanes_->setBands(bands);
    refreshRows();
}

void HueBandsEditor::setPointed(std::optional<std::array<float, 3>> colour) {
    lanes_->setMarker(colour ? std::optional(perceptualHue(*colour)) : std::nullopt);
}

void HueBandsEditor::setInputPicture(const Picture& picture) {
    const auto weights = hueHistogramOf(picture);
    lanes_->setHistogram(QVector<double>(weights.begin(), weights.end()));
}

void HueBandsEditor::pressOnPicture(const PickedColour& colour) {
    const double hue = perceptualHue(colour.input);
    const auto isUsed = [&](int b) {
        return number(id(b, "shift")) != 0 || number(id(b, "saturation")) != 0 || number(id(b, "lightness")) != 0;
    };
    int found = -1, free = -1;
    double best = 1e9, bestFree = 1e9;
    for (int b = 0; b < kBands; ++b) {
        const double away = std::abs(std::remainder(hue - number(id(b, "centre")), 360));
        if (isUsed(b) && away < number(id(b, "width")) / 2 + number(id(b, "feather")) / 2 && away < best)
            best = away, found = b;
        if (!isUsed(b) && away < bestFree) bestFree = away, free = b;
    }
    if (found < 0) {
        if (free < 0) return;
        found = free;
        set({{id(found, "centre"), std::round(hue)}}, true);
    }
    lanes_->choose(found);
    choose(found);
    for (int lane = 0; lane < 3; ++lane) pressed_[lane] = number(id(found, kLanes[lane]));
}

void HueBandsEditor::dragOnPicture(QPointF offset, Qt::KeyboardModifiers modifiers) {
    const int band = lanes_->chosen();
    const double speed = modifiers & Qt::ShiftModifier ? 0.1 : 1;
    constexpr double degreesPerPixel = 0.25, sharePerPixel = 0.005;
    const double up = speed * offset.y() * sharePerPixel;
    const bool light = modifiers & Qt::AltModifier;
    const auto held = [](double v) { return std::clamp(std::round(v * 100) / 100, -1.0, 1.0); };
    set({{id(band, "shift"),
          std::clamp(std::round(pressed_[0] + speed * offset.x() * degreesPerPixel), -kShiftReach, kShiftReach)},
         {id(band, "saturation"), held(pressed_[1] + (light ? 0 : up))},
         {id(band, "lightness"), held(pressed_[2] + (light ? up : 0))}},
        false);
}

namespace {

constexpr const char* kColumns[] = {"cyan.red", "magenta.green", "yellow.blue", "density"};

std::string rowId(int row, const char* parameter) {
    return "row" + std::to_string(row + 1) + "." + parameter;
}

} // namespace

PushTableEditor::PushTableEditor(AppState& state, const std::string& stageId, QWidget* parent)
    : StageEditor(state, stageId, parent), add_(makeButton(tr("Add a row"), "")) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(6);
    auto* grid = new QGridLayout;
    grid->setSpacing(3);
    const QString heads[] = {tr("cyan–\nred"), tr("magenta–\ngreen"), tr("yellow–\nblue"), tr("density")};
    for (int c = 0; c < PushTableEditor::kColumns; ++c) {
        auto* head = makeLabel(heads[c], "section");
        head->setAlignment(Qt::AlignCenter);
        grid->addWidget(head, 0, c + 1);
    }
    grid->setColumnStretch(0, 3);
    for (int c = 1; c <= PushTableEditor::kColumns; ++c) grid->setColumnStretch(c, 2);
    const std::pair<QColor, QColor> pairs[] = {{QColor(0x30, 0xb0, 0xb8), QColor(0xd8, 0x4c, 0x44)},
                                               {QColor(0xc0, 0x50, 0xb8), QColor(0x50, 0xb0, 0x50)},
                                               {QColor(0xd0, 0xb8, 0x40), QColor(0x4c, 0x78, 0xd8)},
                                               {QColor(0xd0, 0xd0, 0xd0), QColor(0x08, 0x08, 0x08)}};
    for (int row = 0; row < kRows; ++row) {
        names_[row] = makeButton({}, "flat");
        names_[row]->setCheckable(true);
        names_[row]->setStyleSheet(QStringLiteral("text-align: left; padding-left: 6px;"));
        grid->addWidget(names_[row], row + 1, 0);
        connect(names_[row], &QPushButton::clicked, this, [this, row] { choose(row); });
        for (int c = 0; c < PushTableEditor::kColumns; ++c) {
            const std::string parameter = rowId(row, baryton::kColumns[c]);
            auto* made = new ScrubCell(QString::fromStdString(type().parameter(parameter)->name), -100, 100, 0);
            made->setToolTip(QString::fromStdString(type().parameter(parameter)->tooltip));
            made->setWash([pair = pairs[c]](double v) { return v < 0 ? pair.first : pair.second; });
            grid->addWidget(made, row + 1, c + 1);
            cells_[row][c] = made;
            connect(made, &ScrubCell::focused, this, [this, row] { choose(row); });
            connect(made, &ScrubCell::edited, this, [this, parameter](double v, bool settled) {
                set({{parameter, v / 100}}, settled);
            });
        }
    }
    layout->addLayout(grid);
    layout->addWidget(add_, 0, Qt::AlignLeft);
    connect(add_, &QPushButton::clicked, this, [this] {
        asked_ = std::min(kRows, shownRows() + 1);
        choose(asked_ - 1);
        refresh();
    });
    for (int row = 0; row < kRows; ++row) {
        ranges_[row] = new QWidget;
        auto* rows = new QVBoxLayout(ranges_[row]);
        rows->setContentsMargins(0, 0, 0, 0);
        rows->setSpacing(4);
        rows->addWidget(makeLabel(tr("ROW %1").arg(row + 1), "section"));
        addChoice(rows, rowId(row, "kind"));
        for (const auto& [parameter, name] : {std::pair("low", tr("Tones from")), std::pair("high", tr("Tones to")),
                                              std::pair("softness", tr("Softness"))})
            toneRows_[row].push_back(addRow(rows, rowId(row, parameter), name));
        for (const auto& [parameter, name] :
             {std::pair("centre", tr("Hue")), std::pair("width", tr("Width")), std::pair("feather", tr("Feather"))})
            hueRows_[row].push_back(addRow(rows, rowId(row, parameter), name));
        hueRows_[row].push_back(addHuePick(
            rows, [row] { return rowId(row, "centre"); }, false));
        layout->addWidget(ranges_[row]);
    }
    addToggle(layout, "hold.luma");
    addLimits(layout);
    layout->addStretch(1);
    choose(0);
    PushTableEditor::refresh();
}

bool PushTableEditor::isUsed(int row) const {
    for (const char* column : baryton::kColumns)
        if (number(rowId(row, column)) != 0) return true;
    return false;
}

int PushTableEditor::shownRows() const {
    int last = 3; // darks, middles, lights to begin with
    for (int row = 0; row < kRows; ++row)
        if (isUsed(row)) last = std::max(last, row + 1);
    return std::max(last, asked_);
}

void PushTableEditor::choose(int row) {
    chosen_ = row;
    for (int i = 0; i < kRows; ++i) {
        ranges_[i]->setVisible(i == row);
        names_[i]->setChecked(i == row);
    }
}

void PushTableEditor::refresh() {
    const int shown = shownRows();
    const Stage now = stage();
    const ParameterReader read(type(), now);
    for (int row = 0; row < kRows; ++row) {
        names_[row]->setVisible(row < shown);
        const bool hues = read.choiceIndex(rowId(row, "kind")) == 1;
        names_[row]->setText(hues ? tr("hue %1°").arg(std::lround(read.number(rowId(row, "centre"))))
                                  : tr("tones %1–%2")
                                        .arg(std::lround(read.number(rowId(row, "low")) * 100))
                                        .arg(std::lround(read.number(rowId(row, "high")) * 100)));
        for (QWidget* each : toneRows_[row]) each->setVisible(!hues);
        for (QWidget* each : hueRows_[row]) each->setVisible(hues);
        for (int c = 0; c < PushTableEditor::kColumns; ++c) {
            cells_[row][c]->setVisible(row < shown);
            cells_[row][c]->setValue(read.number(rowId(row, baryton::kColumns[c])) * 100);
        }
    }
    add_->setEnabled(shown < kRows);
    refreshRows();
}

double PushTableEditor::weightAt(int row, const std::array<float, 3>& colour) const {
    const Stage now = stage();
    const ParameterReader read(type(), now);
    if (read.choiceIndex(rowId(row, "kind")) == 1) {
        const Vec3 lab = oklabFromLinear({srgbToLinear(colour[0]), srgbToLinear(colour[1]), srgbToLinear(colour[2])});
        const double chroma = std::hypot(lab[1], lab[2]),
                     delta = perceptualHue(colour) - read.number(rowId(row, "centre"));
        const HueWindow window(read.number(rowId(row, "centre")), read.number(rowId(row, "width")),
                               read.number(rowId(row, "feather")));
        return window.weight(std::cos(delta * std::numbers::pi / 180)) * hueFade(lab[0], chroma);
    }
    const double y = std::clamp(luma(colour[0], colour[1], colour[2]), 0.0, 1.0);
    const double low = read.number(rowId(row, "low")), high = read.number(rowId(row, "high"));
    return y < low ? 1 - std::min(1.0, (low - y) / 0.2) : y > high ? 1 - std::min(1.0, (y - high) / 0.2) : 1;
}

void PushTableEditor::setInputPicture(const Picture& picture) {
    // Rows that the picture hardly holds are faint.
    for (int row = 0; row < shownRows(); ++row) {
        double sum = 0;
        int count = 0;
        for (int y = 0; y < picture.height(); y += 4)
            for (int x = 0; x < picture.width(); x += 4, ++count)
                sum += weightAt(row, {picture.row(0, y)[x], picture.row(1, y)[x], picture.row(2, y)[x]});
        const double share = count ? sum / count : 0;
        constexpr double hardly = 0.01;
        for (int c = 0; c < PushTableEditor::kColumns; ++c) cells_[row][c]->setFaint(share < hardly);
        names_[row]->setToolTip(tr("%1 % of the picture lies in this row").arg(share * 100, 0, 'f', 1));
    }
}

void PushTableEditor::pressOnPicture(const PickedColour& colour) {
    int best = 0;
    double most = -1;
    for (int row = 0; row < shownRows(); ++row) {
        // A family of hues is meant more closely than a range of tones.
        const Stage now = stage();
        const bool hues = ParameterReader(type(), now).choiceIndex(rowId(row, "kind")) == 1;
        const double weight = weightAt(row, colour.input) + (hues ? 0.5 : 0);
        if (weight > most && (!hues || weight > 0.6)) most = weight, best = row;
    }
    choose(best);
    pressed_[0] = number(rowId(best, "cyan.red"));
    pressed_[1] = number(rowId(best, "density"));
}

void PushTableEditor::dragOnPicture(QPointF offset, Qt::KeyboardModifiers modifiers) {
    const double speed = (modifiers & Qt::ShiftModifier ? 0.1 : 1) * 0.004;
    const auto held = [](double v) { return std::clamp(std::round(v * 100) / 100, -1.0, 1.0); };
    set({{rowId(chosen_, "cyan.red"), held(pressed_[0] + speed * offset.x())},
         {rowId(chosen_, "density"), held(pressed_[1] - speed * offset.y())}},
        false);
}

PrimariesEditor::PrimariesEditor(AppState& state, const std::string& stageId, QWidget* parent)
    : StageEditor(state, stageId, parent), triangle_(new TriangleView) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(5);
    triangle_->setToolTip(
        tr("Drag a corner: round white turns its colours, outward and inward makes them stronger and quieter"));
    layout->addWidget(triangle_);
    for (const char* corner : {"red", "green", "blue", "all"})
        for (const char* what : {"turn", "reach"}) addRow(layout, std::string(corner) + "." + what);
    addLimits(layout);
    layout->addStretch(1);
    connect(triangle_, &TriangleView::edited, this,
            [this](int corner, const TriangleView::Corner& value, bool settled) {
                const char* names[] = {"red", "green", "blue"};
                const std::string name = names[corner];
                // The triangle shows a corner with what all three have in common added.
                const ParameterType &turn = *type().parameter(name + ".turn"),
                                    &reach = *type().parameter(name + ".reach");
                set({{name + ".turn", std::clamp(value.turn - number("all.turn"), turn.minimum, turn.maximum)},
                     {name + ".reach", std::clamp(value.reach - number("all.reach"), reach.minimum, reach.maximum)}},
                    settled);
            });
    PrimariesEditor::refresh();
}

void PrimariesEditor::refresh() {
    const char* names[] = {"red", "green", "blue"};
    std::array<TriangleView::Corner, 3> corners;
    PrimariesSettings settings;
    for (std::size_t i = 0; i < 3; ++i) {
        const std::string name = names[i];
        corners[i] = {number(name + ".turn") + number("all.turn"), number(name + ".reach") + number("all.reach")};
        settings.turn[i] = corners[i].turn, settings.reach[i] = corners[i].reach;
    }
    double slid = 1;
    primariesMatrix(settings, &slid);
    triangle_->setCorners(corners);
    triangle_->setSlid(slid);
    refreshRows();
}

void PrimariesEditor::setInputPicture(const Picture& picture) {
    QVector<QPointF> points;
    QVector<QColor> colours;
    const int step = std::max(1, picture.longSide() / 48);
    for (int y = 0; y < picture.height(); y += step)
        for (int x = 0; x < picture.width(); x += step) {
            Vec3 encoded = {picture.row(0, y)[x], picture.row(1, y)[x], picture.row(2, y)[x]};
            for (double& v : encoded) v = std::clamp(v, 0.0, 1.0);
            const Vec3 xyz =
                kSrgbToXyz * Vec3{srgbToLinear(encoded[0]), srgbToLinear(encoded[1]), srgbToLinear(encoded[2])};
            const double sum = xyz[0] + xyz[1] + xyz[2];
            if (sum < 0.01) continue; // black has no chromaticity
            points.append({xyz[0] / sum, xyz[1] / sum});
            colours.append(QColor::fromRgbF(static_cast<float>(encoded[0]), static_cast<float>(encoded[1]),
                                            static_cast<float>(encoded[2])));
        }
    triangle_->setCloud(points, colours);
}

SplitToneEditor::SplitToneEditor(AppState& state, const std::string& stageId, QWidget* parent)
    : StageEditor(state, stageId, parent) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(6);
    auto* grid = new QGridLayout;
    const char* ranges[] = {"shadows", "highlights"};
    const QString names[] = {tr("Shadows"), tr("Highlights")};
    for (int i = 0; i < 2; ++i) {
        const std::string id = ranges[i], other = ranges[1 - i];
        auto* name = makeLabel(names[i], "second");
        name->setAlignment(Qt::AlignCenter);
        grid->addWidget(name, 0, i);
        wheels_[i] = new WheelView(names[i], hueColour);
        wheels_[i]->setHasLevel(false);
        wheels_[i]->setFixedSize(136, 136);
        wheels_[i]->setToolTip(
            tr("Pull toward a colour; the short line marks what lies opposite. Double click resets."));
        grid->addWidget(wheels_[i], 1, i, Qt::AlignCenter);
        auto* opposite = makeButton(i == 0 ? tr("Opposite → lights") : tr("Opposite → shadows"), "");
        opposite->setToolTip(tr("Gives the other range the hue that lies opposite, at the same amount"));
        grid->addWidget(opposite, 2, i);
        connect(opposite, &QPushButton::clicked, this, [this, id, other] {
            set({{other + ".hue", std::fmod(number(id + ".hue") + 180, 360)},
                 {other + ".amount", number(id + ".amount")}},
                true);
        });
        auto* tools = new QVBoxLayout;
        addHuePick(
            tools, [id] { return id + ".hue"; }, true);
        grid->addLayout(tools, 3, i);
        connect(wheels_[i], &WheelView::edited, this, [this, id](const WheelView::Setting& s, bool settled) {
            set({{id + ".hue", s.hue}, {id + ".amount", s.amount}}, settled);
        });
    }
    layout->addLayout(grid);
    for (const char* id : {"shadows.hue", "shadows.amount", "highlights.hue", "highlights.amount", "balance"})
        addRow(layout, id);
    addToggle(layout, "hold");
    addLimits(layout);
    layout->addStretch(1);
    SplitToneEditor::refresh();
}

void SplitToneEditor::refresh() {
    wheels_[0]->setSetting({number("shadows.hue"), number("shadows.amount"), 0});
    wheels_[1]->setSetting({number("highlights.hue"), number("highlights.amount"), 0});
    refreshRows();
}

} // namespace baryton
