#pragma once
#include "app/app_state.h"
#include "app/widgets/segments.h"
#include "app/widgets/sheet.h"
#include "app/widgets/value_row.h"
#include "render/output.h"

#include <QButtonGroup>
#include <QCheckBox>
#include <QComboBox>
#include <QLineEdit>

namespace baryton {

/// What a kind of file is, beyond its format and size: how it is encoded, what is laid over it, and what it says of
/// itself. Changes take effect at once; the mark is shown on the key picture.
class FileSheet : public Sheet {
    Q_OBJECT
public:
    FileSheet(AppState& state, OutputSettings output, QWidget* parent);

Q_SIGNALS:
    void changeWanted(const QString& what, const OutputSettings& next);

private:
    QWidget* makeEncoding();
    QWidget* makeMetadata();
    QWidget* makeMark();
    void change(const QString& what, const OutputSettings& next);
    void showMark();

    AppState& state_;
    OutputSettings output_;
    QLabel* preview_;
    QLineEdit *markText_, *markPicture_;
};

} // namespace baryton
