#pragma once
#include "app/widgets/number_field.h"
#include "app/widgets/ruler.h"

#include <QLabel>

namespace baryton {

/// One number as a row: label, ruler from the default outward, typed value. A value away from its default is brass.
class ValueRow : public QWidget {
    Q_OBJECT
public:
    explicit ValueRow(const QString& name, QWidget* parent = nullptr);

    void setRange(double minimum, double maximum, double step, double defaultValue);
    void setLabelWidth(int width) { label_->setFixedWidth(width); }
    void setValue(double value);
    double value() const { return ruler_->value(); }
    Ruler* ruler() const { return ruler_; }
    NumberField* field() const { return field_; }

Q_SIGNALS:
    void edited(double value, bool settled);

private:
    void markChanged();
    QLabel* label_;
    Ruler* ruler_;
    NumberField* field_;
    double default_ = 0;
};

} // namespace baryton
