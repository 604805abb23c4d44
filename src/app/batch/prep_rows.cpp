#include "app/batch/prep_rows.h"
#include "base/words.h"
#include "stages/stage_type.h"

#include <QVBoxLayout>
#include <algorithm>

namespace baryton {

PrepRows::PrepRows(QWidget* parent) : QWidget(parent) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(7);
    const auto addRow = [&](const char* stage, const char* parameter, double unit) {
        const ParameterType& p = *findStageType(stage)->parameter(parameter);
        auto* row = new ValueRow(
            QString::fromStdString(words(stage == std::string("exposure") ? findStageType(stage)->name : p.name)));
        row->setRange(p.minimum * unit, p.maximum * unit, p.step * unit, std::get<double>(p.defaultValue) * unit);
        row->setToolTip(QString::fromStdString(words(p.tooltip)));
        layout->addWidget(row);
        connect(row, &ValueRow::edited, this, [this](double, bool isSettled) { Q_EMIT edited(isSettled); });
        return row;
    };
    exposure_ = addRow("exposure", "stops", 1);
    temperature_ = addRow("white-balance", "temperature", 1);
    tint_ = addRow("white-balance", "tint", 100);
    int width = 84;
    for (const ValueRow* row : {exposure_, temperature_, tint_}) width = std::max(width, row->nameWidth());
    for (ValueRow* row : {exposure_, temperature_, tint_}) row->setLabelWidth(width);
}

void PrepRows::setLight(const PrepLight& light) {
    exposure_->setValue(light.stops);
    temperature_->setValue(light.kelvin);
    tint_->setValue(light.tint * 100);
}

PrepLight PrepRows::light() const {
    return {exposure_->value(), temperature_->value(), tint_->value() / 100};
}

} // namespace baryton
