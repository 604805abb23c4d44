#pragma once
#include "app/widgets/value_row.h"
#include "survey/match.h"

namespace baryton {

/// What a picture's Prep makes of its light, as three rows.
class PrepRows : public QWidget {
    Q_OBJECT
public:
    explicit PrepRows(QWidget* parent = nullptr);
    void setLight(const PrepLight& light);
    PrepLight light() const;

Q_SIGNALS:
    void edited(bool settled);

private:
    ValueRow *exposure_, *temperature_, *tint_;
};

} // namespace baryton
