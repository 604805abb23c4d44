#include "app/widgets/value_row.h"

#include <QHBoxLayout>
#include <QStyle>
#include <cmath>

namespace baryton {

ValueRow::ValueRow(const QString& name, QWidget* parent)
    : QWidget(parent), name_(name), label_(new QLabel), ruler_(new Ruler), field_(new NumberField) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(8);
    setLabelWidth(96);
    row->addWidget(label_);
    row->addWidget(ruler_, 1);
    row->addWidget(field_);
    ruler_->setAccessibleName(name);
    field_->setAccessibleName(name);
    connect(ruler_, &Ruler::edited, this, [this](double v, bool settled) {
        field_->setValue(v);
        markChanged();
        Q_EMIT edited(v, settled);
    });
    connect(field_, &NumberField::edited, this, [this](double v, bool settled) {
        ruler_->setValue(v);
        markChanged();
        Q_EMIT edited(v, settled);
    });
}

void ValueRow::setLabelWidth(int width) {
    label_->setFixedWidth(width);
    fitLabel();
}

void ValueRow::fitLabel() {
    const QString text = label_->fontMetrics().elidedText(name_, Qt::ElideRight, label_->width());
    label_->setText(text);
    label_->setToolTip(text == name_ ? QString() : name_);
}

void ValueRow::showEvent(QShowEvent*) {
    fitLabel(); // only now the label has its font
}

void ValueRow::setRange(double minimum, double maximum, double step, double defaultValue) {
    default_ = defaultValue;
    ruler_->setRange(minimum, maximum, step, defaultValue);
    field_->setRange(minimum, maximum, step);
}

void ValueRow::setValue(double value) {
    ruler_->setValue(value);
    field_->setValue(value);
    markChanged();
}

void ValueRow::markChanged() {
    const bool changed = std::abs(value() - default_) > 1e-9;
    if (field_->property("changed").toBool() == changed) return;
    field_->setProperty("changed", changed);
    field_->style()->unpolish(field_);
    field_->style()->polish(field_);
}

} // namespace baryton
