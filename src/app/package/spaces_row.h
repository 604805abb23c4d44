#pragma once
#include "lut/lut_spaces.h"

#include <QComboBox>
#include <QWidget>

namespace baryton {

/// The spaces whose numbers a LUT takes and gives, side by side.
class SpacesRow : public QWidget {
    Q_OBJECT
public:
    explicit SpacesRow(QWidget* parent = nullptr);
    LutSpaces spaces() const;

Q_SIGNALS:
    void chosen(); ///< by the user

private:
    QComboBox *reads_, *writes_;
};

} // namespace baryton
