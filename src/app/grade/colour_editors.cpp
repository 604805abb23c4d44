#include "app/grade/colour_editors.h"
#include "app/grade/miniatures.h"
#include "app/widgets/labels.h"
#include "app/widgets/shift_speed.h"
#include "colour/smooth_step.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "render/scopes.h"
#include "stages/limits.h"
#include "stages/oklab.h"
#include "stages/primaries.h"
#include "stages/split_tone.h"

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
    addHuePicks(layout, [this] { return id(lanes_->chosen(), "centre"); });
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
    lanes_->setMarker(colour ? std::optional(hueOf(*colour)) : std::nullopt);
}

void HueBandsEditor::setInputPicture(const Picture& picture) {
    const auto weights = hueHistogramOf(picture);
    lanes_->setHistogram(QVector<double>(weights.begin(), weights.end()));
}

void HueBandsEditor::pressOnPicture(const PickedColour& colour) {
    const double hue = hueOf(colour.input);
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
    const double speed = dragSpeed(modifiers);
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
    : StageEditor(state, stageId, parent), pages_(new QStackedWidget) {
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
        connect(names_[row], &QPushButton::clicked, this, [this, row] {
            choose(row);
            refresh();
        });
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
    for (int row = 0; row < kRows; ++row) {
        auto* page = new QWidget;
        auto* rows = new QVBoxLayout(page);
        rows->setContentsMargins(0, 0, 0, 0);
        rows->setSpacing(4);
        rows->addWidget(makeLabel(tr("ROW %1").arg(row + 1), "section"));
        addChoice(rows, rowId(row, "kind"));
        // Tones or hues: one place, as high for either.
        kinds_[row] = new QStackedWidget;
        const auto addKind = [&](const std::vector<std::pair<const char*, QString>>& parameters) {
            auto* kind = new QWidget;
            auto* lines = new QVBoxLayout(kind);
            lines->setContentsMargins(0, 0, 0, 0);
            lines->setSpacing(4);
            for (const auto& [parameter, name] : parameters) addRow(lines, rowId(row, parameter), name);
            kinds_[row]->addWidget(kind);
            return lines;
        };
        addKind({{"low", tr("Tones from")}, {"high", tr("Tones to")}, {"softness", tr("Softness")}})->addStretch(1);
        addHuePicks(addKind({{"centre", tr("Hue")}, {"width", tr("Width")}, {"feather", tr("Feather")}}),
                    [row] { return rowId(row, "centre"); });
        rows->addWidget(kinds_[row]);
        pages_->addWidget(page);
    }
    layout->addWidget(pages_);
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

void PushTableEditor::choose(int row) {
    chosen_ = row;
    pages_->setCurrentIndex(row);
    for (int i = 0; i < kRows; ++i) names_[i]->setChecked(i == row);
}

bool PushTableEditor::isOpen(int row) const {
    constexpr int given = 3; // darks, middles, lights to begin with
    return row < given || row == chosen_ || isUsed(row);
}

void PushTableEditor::refresh() {
    const Stage now = stage();
    const ParameterReader read(type(), now);
    for (int row = 0; row < kRows; ++row) {
        const bool hues = read.choiceIndex(rowId(row, "kind")) == 1;
        names_[row]->setText(!isOpen(row) ? tr("free")
                             : hues       ? tr("hue %1°").arg(std::lround(read.number(rowId(row, "centre"))))
                                          : tr("tones %1–%2")
                                          .arg(std::lround(read.number(rowId(row, "low")) * 100))
                                          .arg(std::lround(read.number(rowId(row, "high")) * 100)));
        kinds_[row]->setCurrentIndex(hues ? 1 : 0);
        for (int c = 0; c < PushTableEditor::kColumns; ++c)
            cells_[row][c]->setValue(read.number(rowId(row, baryton::kColumns[c])) * 100);
    }
    refreshRows();
}

double PushTableEditor::weightAt(int row, const std::array<float, 3>& colour) const {
    const Stage now = stage();
    const ParameterReader read(type(), now);
    if (read.choiceIndex(rowId(row, "kind")) == 1)
        return HueWindow(read.number(rowId(row, "centre")), read.number(rowId(row, "width")),
                         read.number(rowId(row, "feather")))
            .share({colour[0], colour[1], colour[2]});
    const double y = std::clamp(luma(colour[0], colour[1], colour[2]), 0.0, 1.0);
    const double low = read.number(rowId(row, "low")), high = read.number(rowId(row, "high"));
    return y < low ? 1 - std::min(1.0, (low - y) / 0.2) : y > high ? 1 - std::min(1.0, (y - high) / 0.2) : 1;
}

void PushTableEditor::setInputPicture(const Picture& picture) {
    // Rows that the picture hardly holds are faint.
    for (int row = 0; row < kRows; ++row) {
        double sum = 0;
        int count = 0;
        for (int y = 0; y < picture.height(); y += 4)
            for (int x = 0; x < picture.width(); x += 4, ++count)
                sum += weightAt(row, {picture.row(0, y)[x], picture.row(1, y)[x], picture.row(2, y)[x]});
        const double share = count ? sum / count : 0;
        constexpr double hardly = 0.01;
        for (int c = 0; c < PushTableEditor::kColumns; ++c) cells_[row][c]->setFaint(share < hardly || !isOpen(row));
        names_[row]->setToolTip(tr("%1 % of the picture lies in this row").arg(share * 100, 0, 'f', 1));
    }
}

void PushTableEditor::pressOnPicture(const PickedColour& colour) {
    int best = 0;
    double most = -1;
    for (int row = 0; row < kRows; ++row) {
        if (!isOpen(row)) continue;
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
    const double speed = dragSpeed(modifiers) * 0.004;
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
    : StageEditor(state, stageId, parent), disc_(new ColourDisc(hueColour, kSplitReach)) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(6);
    disc_->setFixedHeight(240);
    disc_->setSkinLine(kSkinLineDegrees);
    disc_->setAccessibleName(tr("Colours of shadows and highlights"));
    disc_->setToolTip(tr("Pull a handle, or from anywhere the chosen one, toward a colour: the dark one for the "
                         "shadows, the light one for the highlights. Crosses mark what lies opposite."));
    layout->addWidget(disc_);
    auto* opposite = makeButton(tr("Give the other the opposite"), "");
    opposite->setToolTip(tr("Gives the other range the hue that lies opposite the chosen one, at the same amount"));
    layout->addWidget(opposite, 0, Qt::AlignLeft);
    for (const char* id : {"shadows.hue", "shadows.amount", "highlights.hue", "highlights.amount", "balance"})
        addRow(layout, id);
    const auto range = [this] { return std::string(disc_->chosen() == 0 ? "shadows" : "highlights"); };
    addHuePicks(layout, [range] { return range() + ".hue"; });
    addToggle(layout, "hold");
    addLimits(layout);
    layout->addStretch(1);
    connect(opposite, &QPushButton::clicked, this, [this, range] {
        const std::string from = range(), to = disc_->chosen() == 0 ? "highlights" : "shadows";
        set({{to + ".hue", std::fmod(number(from + ".hue") + 180, 360)}, {to + ".amount", number(from + ".amount")}},
            true);
    });
    connect(disc_, &ColourDisc::edited, this, [this, range](int, QPointF at, bool settled) {
        std::map<std::string, Value> values{{range() + ".amount", std::min(1.0, ColourDisc::amountOf(at))}};
        if (!at.isNull()) values[range() + ".hue"] = ColourDisc::angleOf(at);
        set(values, settled);
    });
    connect(disc_, &ColourDisc::held, this, [this](int handle, bool rests) {
        if (handle < 0 || !rests) return light({});
        const double crossing = 0.5 - 0.35 * number("balance");
        light([crossing, handle](const std::array<float, 3>& c) {
            constexpr double half = 0.35;
            const double high = smoothStep(luma(c[0], c[1], c[2]), crossing - half, 1 / (2 * half));
            return handle == 0 ? 1 - high : high;
        });
    });
    SplitToneEditor::refresh();
}

void SplitToneEditor::refresh() {
    const auto at = [this](const std::string& range) {
        return ColourDisc::pullOf(number(range + ".hue"), number(range + ".amount"));
    };
    disc_->setHandles({{tr("Shadows"), QColor(0x1a, 0x1a, 0x1a), false, at("shadows")},
                       {tr("Highlights"), QColor(0xf2, 0xf2, 0xf2), false, at("highlights")}});
    disc_->setTrace(traceAfter());
    refreshRows();
}

} // namespace baryton
