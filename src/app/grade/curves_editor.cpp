#include "app/grade/editors.h"
#include "app/grade/miniatures.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "app/widgets/shift_speed.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "render/histogram.h"
#include "stages/curves.h"
#include "stages/spline.h"

#include <QHBoxLayout>
#include <algorithm>

namespace baryton {

namespace {

struct Channel {
    const char *parameter, *name;
    int input; ///< which of the input histograms fits: red, green, blue, luma; lightness and the opponent axes
};
constexpr Channel kChannels[] = {{"rgb", QT_TRANSLATE_NOOP("baryton::CurvesEditor", "RGB"), 3},
                                 {"luma", QT_TRANSLATE_NOOP("baryton::CurvesEditor", "Luma"), 3},
                                 {"r", "R", 0},
                                 {"g", "G", 1},
                                 {"b", "B", 2},
                                 {"lab.l", "L", 4},
                                 {"lab.a", "a", 5},
                                 {"lab.b", "b", 6}};
constexpr int kChannelCount = static_cast<int>(std::size(kChannels));
constexpr double kLevels = 255;

QColor channelColour(int channel) {
    const auto& c = theme::colours();
    switch (kChannels[channel].input) {
    case 0:
        return c.red;
    case 1:
        return c.green;
    case 2:
        return c.blue;
    default:
        return channel == 0 ? c.text : c.second;
    }
}

QStringList channelNames() {
    QStringList names;
    for (const Channel& channel : kChannels) names.append(CurvesEditor::tr(channel.name));
    return names;
}

} // namespace

CurvesEditor::CurvesEditor(AppState& state, const std::string& stageId, QWidget* parent)
    : StageEditor(state, stageId, parent), channels_(new Segments(channelNames())),
      response_(new Segments({tr("Channels"), tr("Hold hue"), tr("Luma")})),
      spline_(new Segments({tr("Monotone"), tr("Natural")})), view_(new CurveView),
      pointName_(makeLabel({}, "second")), in_(new NumberField), out_(new NumberField) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(8);
    channels_->setAccessibleName(tr("Channel"));
    for (int i = 0; i < kChannelCount; ++i)
        channels_->button(i)->setToolTip(QString::fromStdString(type().parameter(kChannels[i].parameter)->tooltip));
    layout->addWidget(channels_);
    view_->setAccessibleName(tr("Tone curve"));
    view_->setShapeMaker([this](const CurveView::Points& points) -> CurveView::Shape {
        const Stage now = stage();
        const bool natural = ParameterReader(type(), now).choice("spline") == "natural";
        const auto kind = natural ? SplineKind::Natural : SplineKind::Monotone;
        return [spline = Spline(toCurve(points), kind)](double x) { return spline(x); };
    });
    layout->addWidget(view_);
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    row->addWidget(pointName_, 1);
    for (auto [field, name] : {std::pair(in_, tr("in")), std::pair(out_, tr("out"))}) {
        row->addWidget(makeLabel(name, "second"));
        field->setRange(0, kLevels, 1);
        field->setFixedWidth(48);
        field->setAccessibleName(tr("Point %1").arg(name));
        row->addWidget(field);
        connect(field, &NumberField::edited, this, [this](double, bool settled) {
            view_->moveSelected({in_->value() / kLevels, out_->value() / kLevels}, settled);
        });
    }
    layout->addLayout(row);
    for (auto [segments, id] : {std::pair(response_, "response"), std::pair(spline_, "spline")}) {
        const ParameterType* p = type().parameter(id);
        auto* line = new QHBoxLayout;
        line->addWidget(new QLabel(QString::fromStdString(p->name)));
        line->addStretch(1);
        line->addWidget(segments);
        segments->setAccessibleName(QString::fromStdString(p->name));
        segments->setToolTip(QString::fromStdString(p->tooltip));
        layout->addLayout(line);
        connect(segments, &Segments::chosen, this, [this, p](int index) {
            set({{p->id, p->options[static_cast<std::size_t>(index)].id}}, true);
        });
    }
    addLimits(layout);
    layout->addStretch(1);
    connect(channels_, &Segments::chosen, this, [this] {
        state_.endGesture();
        view_->select(-1);
        showChannel();
    });
    connect(view_, &CurveView::edited, this, [this](const QVector<QPointF>& points, bool settled) {
        const Curve curve = toCurve(points);
        set({{parameter(), isStraight(curve) && points.size() <= 2 ? Curve{} : curve}}, settled);
        showPoint();
    });
    connect(view_, &CurveView::selectionChanged, this, &CurvesEditor::showPoint);
    showChannel();
}

std::string CurvesEditor::parameter() const {
    return kChannels[channels_->current()].parameter;
}

void CurvesEditor::showChannel() {
    const int shown = channels_->current();
    const Stage now = stage();
    const ParameterReader read(type(), now);
    QVector<std::pair<CurveView::Points, QColor>> others;
    for (int i = 0; i < kChannelCount; ++i) {
        const Curve& curve = read.curve(kChannels[i].parameter);
        channels_->setMarked(i, !isStraight(curve));
        if (i != shown && !isStraight(curve)) others.append({toPoints(curve), channelColour(i)});
    }
    view_->setColour(channelColour(shown));
    view_->setOthers(others);
    view_->setPoints(toPoints(read.curve(parameter())));
    response_->setCurrent(read.choiceIndex("response"));
    spline_->setCurrent(read.choiceIndex("spline"));
    showInput();
    showPoint();
}

void CurvesEditor::showPoint() {
    const int i = view_->selected();
    const bool has = i >= 0 && i < view_->points().size();
    pointName_->setText(has ? tr("Point %1 of %2").arg(i + 1).arg(view_->points().size())
                            : tr("%1 points; press to add").arg(view_->points().size()));
    for (auto* field : {in_, out_}) {
        field->setEnabled(has);
        if (!has) field->clear();
    }
    if (!has) return;
    in_->setValue(view_->points()[i].x() * kLevels);
    out_->setValue(view_->points()[i].y() * kLevels);
}

void CurvesEditor::showInput() {
    // Those of OKLab cost more than all else here: not before one of them is looked at.
    if (kChannels[channels_->current()].input >= 4 && !picture_.isEmpty()) {
        const OklabHistogram lab = oklabHistogramOf(std::exchange(picture_, {}));
        input_[4] = toCounts(lab.lightness);
        input_[5] = toCounts(lab.a);
        input_[6] = toCounts(lab.b);
    }
    view_->setHistogram(input_[kChannels[channels_->current()].input]);
}

void CurvesEditor::refresh() {
    showChannel();
    refreshRows();
}

void CurvesEditor::setInputPicture(const Picture& picture) {
    picture_ = picture;
    showInput();
}

void CurvesEditor::setInput(const QVector<double> (&counts)[4]) {
    for (int i = 0; i < 4; ++i) input_[i] = counts[i];
    showInput();
}

double CurvesEditor::shownLevel(const std::array<float, 3>& c) const {
    const Channel& shown = kChannels[channels_->current()];
    const std::string id = shown.parameter;
    if (id.rfind("lab.", 0) == 0) {
        const Vec3 lab = oklabFromLinear({srgbToLinear(c[0]), srgbToLinear(c[1]), srgbToLinear(c[2])});
        return id == "lab.l" ? lab[0] : (id == "lab.a" ? lab[1] : lab[2]) / CurvesConstants::axisSpan + 0.5;
    }
    return shown.input == 3 ? luma(c[0], c[1], c[2]) : c[static_cast<std::size_t>(shown.input)];
}

void CurvesEditor::setPointed(std::optional<std::array<float, 3>> colour) {
    view_->setMarker(colour ? std::optional(std::clamp(shownLevel(*colour), 0.0, 1.0)) : std::nullopt);
}

void CurvesEditor::pressOnPicture(const PickedColour& colour) {
    setPointed(colour.input);
    view_->takePointAt(std::clamp(shownLevel(colour.input), 0.0, 1.0));
    if (view_->selected() >= 0) pressedPoint_ = view_->points()[view_->selected()];
}

void CurvesEditor::dragOnPicture(QPointF offset, Qt::KeyboardModifiers modifiers) {
    if (view_->selected() < 0) return;
    constexpr double pixels = 400; // for the whole range
    const double speed = dragSpeed(modifiers);
    view_->moveSelected({pressedPoint_.x(), std::clamp(pressedPoint_.y() + speed * offset.y() / pixels, 0.0, 1.0)},
                        false);
}

} // namespace baryton
