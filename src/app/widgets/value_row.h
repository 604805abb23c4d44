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
    /// For what begins elsewhere than where its description says.
    void setDefault(double value) {
        default_ = value;
        ruler_->setDefault(value);
        markChanged();
    }
    /// A name that does not fit is cut with dots, and stands whole in the tooltip.
    void setLabelWidth(int width);
    /// What the whole name needs.
    int nameWidth() const { return label_->fontMetrics().horizontalAdvance(name_) + 2; }
    void setValue(double value);
    double value() const { return ruler_->value(); }
    Ruler* ruler() const { return ruler_; }
    NumberField* field() const { return field_; }

Q_SIGNALS:
    void edited(double value, bool settled);

protected:
    void showEvent(QShowEvent* event) override;

private:
    void markChanged();
    void fitLabel();
    QString name_;
    QLabel* label_;
    Ruler* ruler_;
    NumberField* field_;
    double default_ = 0;
};

} // namespace baryton
