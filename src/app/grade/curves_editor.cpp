#include "app/grade/editors.h"
#include "app/grade/miniatures.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "colour/transfer.h"
#include "stages/spline.h"

#include <QHBoxLayout>
#include <algorithm>

namespace baryton {

namespace {

constexpr const char* kParameters[] = {"rgb", "r", "g", "b"};
constexpr double kLevels = 255;

QColor channelColour(int channel) {
    const auto& c = theme::colours();
    return channel == 0 ? QColor(Qt::white) : channel == 1 ? c.red : channel == 2 ? c.green : c.blue;
}

} // namespace

CurvesEditor::CurvesEditor(AppState& state, const std::string& stageId, QWidget* parent)
    : StageEditor(state, stageId, parent), channels_(new Segments({tr("RGB"), tr("R"), tr("G"), tr("B")})),
      view_(new CurveView), pointName_(makeLabel({}, "second")), in_(new NumberField), out_(new NumberField) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(8);
    channels_->setAccessibleName(tr("Channel"));
    for (int i = 0; i < 4; ++i)
        channels_->button(i)->setToolTip(QString::fromStdString(type().parameter(kParameters[i])->tooltip));
    layout->addWidget(channels_);
    view_->setAccessibleName(tr("Tone curve"));
    view_->setShapeMaker([](const CurveView::Points& points) -> CurveView::Shape {
        return [spline = Spline(toCurve(points))](double x) { return spline(x); };
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
    return kParameters[channels_->current()];
}

void CurvesEditor::showChannel() {
    const int shown = channels_->current();
    const Stage now = stage();
    const ParameterReader read(type(), now);
    QVector<std::pair<CurveView::Points, QColor>> others;
    for (int i = 0; i < 4; ++i) {
        const Curve& curve = read.curve(kParameters[i]);
        channels_->button(i)->setText((i == 0 ? tr("RGB") : QString(QStringLiteral("RGB")[i - 1])) +
                                      (isStraight(curve) ? QString() : QStringLiteral(" •")));
        if (i != shown && !isStraight(curve)) others.append({toPoints(curve), channelColour(i)});
    }
    view_->setColour(channelColour(shown));
    view_->setOthers(others);
    view_->setPoints(toPoints(read.curve(parameter())));
    view_->setHistogram(input_[shown == 0 ? 3 : shown - 1]);
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

void CurvesEditor::refresh() {
    showChannel();
}

void CurvesEditor::setInput(const QVector<double> (&counts)[4]) {
    for (int i = 0; i < 4; ++i) input_[i] = counts[i];
    view_->setHistogram(input_[channels_->current() == 0 ? 3 : channels_->current() - 1]);
}

void CurvesEditor::setPointed(std::optional<std::array<float, 3>> colour) {
    if (!colour) {
        view_->setMarker({});
        return;
    }
    const auto& c = *colour;
    const int shown = channels_->current();
    const double value = shown == 0 ? luma(c[0], c[1], c[2]) : c[static_cast<std::size_t>(shown - 1)];
    view_->setMarker(std::clamp(value, 0.0, 1.0));
}

} // namespace baryton
