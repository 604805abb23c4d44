#include "app/grade/editors.h"
#include "app/grade/colour_editors.h"
#include "app/grade/frame_editor.h"
#include "app/grade/lens_editor.h"
#include "app/grade/lut_editor.h"
#include "app/grade/miniatures.h"
#include "app/grade/noise_editor.h"
#include "app/grade/overlay_editor.h"
#include "app/grade/raw_editor.h"
#include "app/grade/tone_editors.h"
#include "app/grade/vignette_editor.h"
#include "app/widgets/labels.h"
#include "app/widgets/scope_view.h"
#include "colour/illuminant.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "lut/lut_file.h"
#include "render/histogram.h"
#include "render/program.h"
#include "stages/oklab.h"
#include "stages/raw.h"
#include "stages/spline.h"

#include <QFileDialog>
#include <QHBoxLayout>
#include <algorithm>
#include <cmath>

namespace baryton {

namespace {
constexpr int kLeastName = 96, kMostName = 132; ///< px of the column of names
}

namespace {

bool isLimit(const ParameterType& p) {
    return p.id.rfind("limits.", 0) == 0;
}

} // namespace

StageEditor::StageEditor(AppState& state, std::string stageId, QWidget* parent)
    : QWidget(parent), state_(state), stageId_(std::move(stageId)), type_(findStageType(stage().type)) {}

Stage StageEditor::stage() const {
    const auto place = findStage(state_.shownGrade(), stageId_);
    return place ? stageAt(state_.shownGrade(), *place) : Stage{};
}

double StageEditor::number(const std::string& parameter) const {
    return ParameterReader(*type_, stage()).number(parameter);
}

double StageEditor::kept(const std::string& parameter, double value) const {
    const ParameterType& p = *type_->parameter(parameter);
    return std::clamp(std::round(value / p.step) * p.step, p.minimum, p.maximum);
}

void StageEditor::set(const std::map<std::string, Value>& values, bool settled) {
    state_.setParameters(stageId_, values, settled);
}

QVBoxLayout* StageEditor::startLayout() {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(6);
    auto* summary = makeLabel(QString::fromStdString(type_->summary), "second");
    summary->setWordWrap(true);
    layout->addWidget(summary);
    return layout;
}

ValueRow* StageEditor::addRow(QVBoxLayout* layout, const std::string& parameter, const QString& name) {
    const ParameterType& p = *type_->parameter(parameter);
    auto* row = new ValueRow(name.isEmpty() ? QString::fromStdString(p.name) : name);
    row->setToolTip(QString::fromStdString(p.tooltip));
    // Read aloud, a short name says too little.
    for (QWidget* part : std::initializer_list<QWidget*>{row->ruler(), row->field()})
        part->setAccessibleName(QString::fromStdString(p.name));
    // A hue goes round the whole circle, wherever its scale begins.
    const double low = p.wraps ? p.minimum : shownNumber(p, p.minimum),
                 high = p.wraps ? p.maximum : shownNumber(p, p.maximum);
    const double step = p.unit == Unit::Percent ? p.step * 100 : p.step;
    row->setRange(low, high, step, shownNumber(p, std::get<double>(p.defaultValue)));
    row->field()->setWraps(p.wraps);
    row->field()->setFormatter([&p](double v) { return QString::fromStdString(shownText(p, storedNumber(p, v))); });
    if (p.inverse)
        row->ruler()->setScale([=](double v) { return (1 / low - 1 / v) / (1 / low - 1 / high); },
                               [=](double at) { return 1 / (1 / low - at * (1 / low - 1 / high)); });
    if (p.unit == Unit::Kelvin) // to the right the picture turns warmer
        row->ruler()->setStrip(
            {{0, QColor(0x5c, 0x86, 0xd8)}, {0.6, QColor(0x9a, 0x9a, 0x9a)}, {1, QColor(0xe0, 0xb0, 0x50)}});
    if (p.wraps) {
        QGradientStops stops;
        constexpr int parts = 12;
        for (int i = 0; i <= parts; ++i) stops.append({double(i) / parts, perceptualHueColour(360.0 * i / parts)});
        row->ruler()->setStrip(stops);
    }
    connect(row, &ValueRow::edited, this, [this, &p, parameter](double shown, bool settled) {
        set({{parameter, std::clamp(storedNumber(p, shown), p.minimum, p.maximum)}}, settled);
    });
    layout->addWidget(row);
    rows_[parameter] = row;
    return row;
}

HuePicks* StageEditor::addHuePicks(QBoxLayout* layout, const std::function<std::string()>& parameter) {
    auto* picks = new HuePicks(perceptualHueColour);
    const auto take = [this, parameter](double hue) {
        const ParameterType& p = *type_->parameter(parameter());
        set({{p.id, storedNumber(p, p.onVectorscope ? hue : std::round(hue))}}, true);
    };
    connect(picks, &HuePicks::taken, this, take);
    connect(picks, &HuePicks::pickWanted, this, [this, take] {
        Q_EMIT pickWanted(tr("Press on the colour whose hue is wanted"),
                          [take](const PickedColour& c) { take(hueOf(c.input)); });
    });
    connect(picks, &HuePicks::shown, this, [this, parameter](bool on) {
        if (!on) return light({});
        const ParameterType& p = *type_->parameter(parameter());
        constexpr double width = 30, feather = 25;
        const HueWindow window(shownNumber(p, number(p.id)), width, feather);
        light([window](const std::array<float, 3>& c) { return window.share({c[0], c[1], c[2]}); });
    });
    layout->addWidget(picks);
    picks->setPins(pins_);
    picks_.push_back(picks);
    return picks;
}

void StageEditor::setFrame(double aspect, const std::shared_ptr<const FramePlace>& place) {
    if (aspect == aspect_ && place == framePlace_) return;
    aspect_ = aspect, framePlace_ = place;
    frameMoved();
}

void StageEditor::setPins(const QVector<HuePicks::Pin>& pins) {
    pins_ = pins;
    for (HuePicks* each : picks_) each->setPins(pins);
}

void StageEditor::takeInput(const Picture& small) {
    input_ = small;
    setInputPicture(small);
}

void StageEditor::light(const std::function<double(const std::array<float, 3>&)>& share) {
    if (!share || input_.isEmpty()) {
        Q_EMIT litChanged({});
        return;
    }
    QImage mask(input_.width(), input_.height(), QImage::Format_Grayscale8);
    for (int y = 0; y < mask.height(); ++y)
        for (int x = 0; x < mask.width(); ++x)
            mask.scanLine(y)[x] = static_cast<uchar>(std::lround(
                255 * std::clamp(share({std::as_const(input_).row(0, y)[x], std::as_const(input_).row(1, y)[x],
                                        std::as_const(input_).row(2, y)[x]}),
                                 0.0, 1.0)));
    Q_EMIT litChanged(mask);
}

QImage StageEditor::traceAfter() const {
    if (input_.isEmpty()) return {};
    Grade only;
    only.look = {Layer{}};
    only.look.front().stages = {stage()};
    constexpr int side = 192;
    return traceOf(vectorscopeOf(Program::compile(only).graded(input_), side));
}

QCheckBox* StageEditor::addToggle(QVBoxLayout* layout, const std::string& parameter) {
    const ParameterType& p = *type_->parameter(parameter);
    auto* box = new QCheckBox(QString::fromStdString(p.name));
    box->setToolTip(QString::fromStdString(p.tooltip));
    connect(box, &QCheckBox::clicked, this, [this, parameter](bool on) { set({{parameter, on}}, true); });
    layout->addWidget(box);
    toggles_[parameter] = box;
    return box;
}

QComboBox* StageEditor::addChoice(QVBoxLayout* layout, const std::string& parameter) {
    const ParameterType& p = *type_->parameter(parameter);
    auto* row = new QHBoxLayout;
    auto* name = new QLabel(QString::fromStdString(p.name));
    name->setFixedWidth(kLeastName);
    choiceNames_.push_back(name);
    auto* box = new QComboBox;
    box->setAccessibleName(QString::fromStdString(p.name));
    box->setToolTip(QString::fromStdString(p.tooltip));
    // As wide as there is room, not as its longest entry.
    box->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    box->setMinimumContentsLength(8);
    for (const auto& option : p.options) box->addItem(QString::fromStdString(option.name));
    connect(box, &QComboBox::activated, this, [this, &p](int index) {
        set({{p.id, p.options[static_cast<std::size_t>(index)].id}}, true);
    });
    row->addWidget(name);
    row->addWidget(box, 1);
    layout->addLayout(row);
    choices_[parameter] = box;
    return box;
}

void StageEditor::showEvent(QShowEvent*) {
    int widest = kLeastName;
    for (const auto& [id, row] : rows_) widest = std::max(widest, row->nameWidth());
    widest = std::min(widest, kMostName);
    for (const auto& [id, row] : rows_) row->setLabelWidth(widest);
    for (QLabel* each : choiceNames_) each->setFixedWidth(widest);
}

void StageEditor::refreshRows() {
    const Stage now = stage();
    const ParameterReader read(*type_, now);
    for (const auto& [id, row] : rows_) {
        const ParameterType& p = *type_->parameter(id);
        row->setValue(shownNumber(p, number(id)));
        if (!p.onlyWith.empty()) row->setEnabled(read.choice(p.onlyWith) == p.onlyWithOption);
    }
    for (const auto& [id, box] : toggles_) box->setChecked(read.toggle(id));
    for (const auto& [id, box] : choices_) box->setCurrentIndex(read.choiceIndex(id));
    if (limits_)
        limits_->setRanges({read.number("limits.tone.low"), read.number("limits.tone.high"),
                            read.number("limits.tone.softness"), read.number("limits.hue.centre"),
                            read.number("limits.hue.width"), read.number("limits.hue.softness")});
}

void StageEditor::addLimits(QVBoxLayout* layout) {
    bool begun = false;
    for (const ParameterType& p : type_->parameters) {
        if (!isLimit(p)) continue;
        if (!begun) {
            layout->addSpacing(6);
            layout->addWidget(makeLabel(tr("WHERE IT ACTS"), "section"));
            QVector<QColor> hues;
            for (int hue = 0; hue < 360; hue += 2) hues.append(perceptualHueColour(hue));
            limits_ = new LimitsStrip(hues);
            layout->addWidget(limits_);
            connect(limits_, &LimitsStrip::edited, this, [this](const LimitsStrip::Ranges& r, bool settled) {
                set({{"limits.tone.low", r.low},
                     {"limits.tone.high", r.high},
                     {"limits.hue.centre", r.hue},
                     {"limits.hue.width", r.width}},
                    settled);
            });
        }
        begun = true;
        addRow(layout, p.id);
    }
}

GenericEditor::GenericEditor(AppState& state, const std::string& stageId, QWidget* parent)
    : StageEditor(state, stageId, parent) {
    QVBoxLayout* layout = startLayout();
    layout->addSpacing(4);
    for (const ParameterType& p : type().parameters) {
        if (isLimit(p)) continue;
        if (p.kind == ParameterKind::Number) {
            addRow(layout, p.id);
        } else if (p.kind == ParameterKind::Toggle) {
            addToggle(layout, p.id);
        } else if (p.kind == ParameterKind::Choice) {
            addChoice(layout, p.id);
        } else if (p.kind == ParameterKind::CurveShape) {
            layout->addWidget(makeLabel(QString::fromStdString(p.name), "second"));
            auto* view = new CurveView;
            view->setAccessibleName(QString::fromStdString(p.name));
            view->setToolTip(QString::fromStdString(p.tooltip));
            view->setShapeMaker([](const CurveView::Points& points) -> CurveView::Shape {
                return [spline = Spline(toCurve(points))](double x) { return spline(x); };
            });
            if (const Curve& rest = std::get<Curve>(p.defaultValue); !rest.empty()) view->setRest(toPoints(rest));
            connect(view, &CurveView::edited, this, [this, id = p.id](const QVector<QPointF>& points, bool settled) {
                const Curve curve = toCurve(points);
                set({{id, isStraight(curve) && points.size() <= 2 ? Curve{} : curve}}, settled);
            });
            layout->addWidget(view);
            curves_[p.id] = view;
        }
    }
    if (type().id == "white-balance") {
        auto* pick = makeButton(tr("Pick a neutral…"), "");
        pick->setToolTip(tr("Press on something in the picture that should be grey or white"));
        connect(pick, &QPushButton::clicked, this, [this] {
            Q_EMIT pickWanted(tr("Press on something that should be grey"),
                              [this](const PickedColour& c) { pressOnPicture(c); });
        });
        layout->addWidget(pick, 0, Qt::AlignLeft);
    }
    if (type().id == "monochrome" || type().id == "warmth") addTintDisc(layout);
    addLimits(layout);
    layout->addStretch(1);
    GenericEditor::refresh();
}

void GenericEditor::refresh() {
    refreshRows();
    if (tint_) refreshTint();
    const Stage now = stage();
    const ParameterReader read(type(), now);
    for (const auto& [id, view] : curves_) view->setPoints(toPoints(read.curve(id)));
}

void GenericEditor::pressOnPicture(const PickedColour& colour) {
    const auto& c = colour.input;
    const auto found = neutralise({srgbToLinear(c[0]), srgbToLinear(c[1]), srgbToLinear(c[2])});
    set({{"temperature", found.kelvin}, {"tint", found.tint}}, true);
}

void GenericEditor::setInput(const QVector<double> (&counts)[4]) {
    for (const auto& [id, view] : curves_)
        if (id != "chroma") view->setHistogram(counts[3]);
}

void GenericEditor::setPointed(std::optional<std::array<float, 3>> colour) {
    for (const auto& [id, view] : curves_) {
        if (!colour) {
            view->setMarker(std::nullopt);
            continue;
        }
        const auto& c = *colour;
        const double tone = 0.2126 * double(c[0]) + 0.7152 * double(c[1]) + 0.0722 * double(c[2]);
        view->setMarker(std::clamp(id == "chroma" ? chromaOnCurve(c) : tone, 0.0, 1.0));
    }
}

void GenericEditor::setInputPicture(const Picture& picture) {
    if (tint_) refreshTint();
    for (const auto& [id, view] : curves_)
        if (id == "chroma") view->setHistogram(toCounts(oklabHistogramOf(picture).chroma));
}

namespace {

/// Where a stage of the Look, at these parameters, takes a middle grey in the plane: Cb, Cr.
QPointF greyThrough(const char* type, const std::map<std::string, Value>& parameters) {
    Grade only;
    only.look = {Layer{}};
    Stage stage = makeStage(only, type);
    stage.parameters = parameters;
    only.look.front().stages = {stage};
    constexpr float grey = 0.5F;
    const auto c = Program::compile(only)(std::array<float, 3>{grey, grey, grey});
    const auto plane = chromaPlane({c[0], c[1], c[2]});
    return {plane[0], plane[1]};
}

/// Warmth as a pull of a middle grey in the plane: where its two numbers, at their ends, take it.
struct WarmthPlane {
    QPointF warmer, toMagenta; ///< Cb, Cr
    double reach;              ///< what holds all settings

    WarmthPlane() {
        warmer = greyThrough("warmth", {{"warmth", 100.0}});
        toMagenta = greyThrough("warmth", {{"tint", 1.0}});
        reach = std::hypot(warmer.x(), warmer.y()) + std::hypot(toMagenta.x(), toMagenta.y());
    }
    QPointF at(double warmth, double tint) const { return (warmth / 100 * warmer + tint * toMagenta) / reach; }
    /// The two numbers (warmth in mired, tint as a share) that lie at a place of the disc.
    QPointF from(QPointF at) const {
        const QPointF p = at * reach;
        const double size = warmer.x() * toMagenta.y() - warmer.y() * toMagenta.x();
        return {100 * (p.x() * toMagenta.y() - p.y() * toMagenta.x()) / size,
                (warmer.x() * p.y() - warmer.y() * p.x()) / size};
    }
};

const WarmthPlane& warmthPlane() {
    static const WarmthPlane plane;
    return plane;
}

/// How far Monochrome's strongest tint takes a middle grey; it differs a little from hue to hue.
double tintPlaneReach() {
    double most = 0;
    for (double hue = 0; hue < 360; hue += 30) {
        const QPointF at = greyThrough("monochrome", {{"amount", 1.0}, {"tint.amount", 1.0}, {"tint.hue", hue}});
        most = std::max(most, std::hypot(at.x(), at.y()));
    }
    return most;
}

} // namespace

void GenericEditor::addTintDisc(QVBoxLayout* layout) {
    const bool isWarmth = type().id == "warmth";
    tint_ = new ColourDisc(hueColour, isWarmth ? warmthPlane().reach : tintPlaneReach());
    tint_->setFixedHeight(190);
    tint_->setAccessibleName(isWarmth ? tr("Warmth and tint") : tr("Tint"));
    tint_->setToolTip(
        tr("Pull toward a colour: the colours of the picture go along. A double click brings it there."));
    tint_->setSkinLine(kSkinLineDegrees);
    layout->insertWidget(isWarmth ? 1 : layout->count(), tint_);
    if (!isWarmth) addHuePicks(layout, [] { return std::string("tint.hue"); });
    connect(tint_, &ColourDisc::edited, this, [this, isWarmth](int, QPointF at, bool settled) {
        if (isWarmth) {
            const QPointF found = warmthPlane().from(at);
            set({{"warmth", std::clamp(std::round(found.x()), -100.0, 100.0)},
                 {"tint", std::clamp(std::round(found.y() * 100) / 100, -1.0, 1.0)}},
                settled);
            return;
        }
        std::map<std::string, Value> values{{"tint.amount", std::min(1.0, ColourDisc::amountOf(at))}};
        if (!at.isNull()) values["tint.hue"] = hueOfDirection(ColourDisc::angleOf(at));
        set(values, settled);
    });
}

void GenericEditor::refreshTint() {
    const bool isWarmth = type().id == "warmth";
    const QPointF at = isWarmth ? warmthPlane().at(number("warmth"), number("tint"))
                                : ColourDisc::pullOf(directionOfHue(number("tint.hue")), number("tint.amount"));
    tint_->setHandles({{tint_->accessibleName(), QColor(0x80, 0x80, 0x80), isWarmth, at}});
    tint_->setTrace(traceAfter());
}

StageEditor* makeEditor(AppState& state, const std::string& stageId, QWidget* parent) {
    const auto place = findStage(state.shownGrade(), stageId);
    if (!place) return nullptr;
    const Stage& stage = stageAt(state.shownGrade(), *place);
    if (!findStageType(stage.type)) return nullptr;
    if (stage.type == kRawType) return new RawEditor(state, stageId, parent);
    if (stage.type == kLensType) return new LensEditor(state, stageId, parent);
    if (stage.type == kFrameType) return new FrameEditor(state, stageId, parent);
    if (stage.type == kOverlayType) return new OverlayEditor(state, stageId, parent);
    if (stage.type == "lut") return new LutEditor(state, stageId, parent);
    if (stage.type == "noise") return new NoiseEditor(state, stageId, parent);
    if (stage.type == "vignette") return new VignetteEditor(state, stageId, parent);
    if (stage.type == "curves") return new CurvesEditor(state, stageId, parent);
    if (stage.type == "wheels") return new WheelsEditor(state, stageId, parent);
    if (stage.type == "hue-bands") return new HueBandsEditor(state, stageId, parent);
    if (stage.type == "push-table") return new PushTableEditor(state, stageId, parent);
    if (stage.type == "primaries") return new PrimariesEditor(state, stageId, parent);
    if (stage.type == "split-tone") return new SplitToneEditor(state, stageId, parent);
    if (stage.type == "gradient-map") return new GradientEditor(state, stageId, parent);
    if (stage.type == "channel-mix") return new ChannelMixEditor(state, stageId, parent);
    if (stage.type == "levels") return new LevelsEditor(state, stageId, parent);
    if (stage.type == "film-response") return new FilmEditor(state, stageId, parent);
    return new GenericEditor(state, stageId, parent);
}

} // namespace baryton
