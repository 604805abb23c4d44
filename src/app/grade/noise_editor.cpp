#include "app/grade/noise_editor.h"
#include "app/behind.h"
#include "app/widgets/labels.h"
#include "stages/measured_noise.h"

namespace baryton {

NoiseEditor::NoiseEditor(AppState& state, const std::string& stageId, QWidget* parent)
    : GenericEditor(state, stageId, parent), measure_(makeButton(tr("Measure the picture"), "")),
      account_(new StillText(3)) {
    measure_->setToolTip(tr("Looks how strong the noise is where the picture is even, and sets both by it"));
    connect(measure_, &QPushButton::clicked, this, &NoiseEditor::measure);
    auto* layout = qobject_cast<QVBoxLayout*>(this->layout());
    const int end = layout->count() - 1; // a stretch
    layout->insertWidget(end, measure_, 0, Qt::AlignLeft);
    layout->insertWidget(end + 1, account_);
    connect(&state_, &AppState::keyChanged, account_, [this] { account_->setText({}); });
}

NoiseEditor::~NoiseEditor() {
    waitFor(pool_);
}

void NoiseEditor::measure() {
    const auto whole = state_.pictures().wholeShown();
    if (!whole || whole->isStandIn()) {
        account_->setText(tr("The picture is still being read; press again when it is there."));
        return;
    }
    measure_->setEnabled(false);
    runBehind(pool_, [this, whole] {
        const MeasuredNoise noise = measuredNoise(whole->full());
        tellWindow(this, [this, noise, whole] {
            measure_->setEnabled(true);
            if (whole != state_.pictures().wholeShown()) return; // another picture, or another set, is in hand
            if (!noise.isKnown) {
                account_->setText(tr("No part of the picture is even enough to tell. Judge at 100 %."));
                return;
            }
            const auto parameters = noiseParametersFor(noise);
            const auto percent = [](double share) { return QString::number(100 * share, 'f', 1); };
            const QString found = tr("Where it is even: %1 % in brightness, %2 % in colour.")
                                      .arg(percent(noise.luma[0]), percent(noise.colour[0]));
            const bool isClean =
                std::get<double>(parameters.at("luma")) == 0 && std::get<double>(parameters.at("colour")) == 0;
            account_->setText(isClean ? found + QLatin1Char(' ') + tr("That is not seen.") : found);
            set(parameters, true);
        });
    });
}

} // namespace baryton
