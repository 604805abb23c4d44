#pragma once
#include "app/grade/editors.h"

#include <QThreadPool>

namespace baryton {

/// Noise: its rows, and both of them set by what is measured in the even parts of the picture.
class NoiseEditor : public GenericEditor {
    Q_OBJECT
public:
    NoiseEditor(AppState& state, const std::string& stageId, QWidget* parent = nullptr);
    ~NoiseEditor() override;

private:
    void measure();
    QPushButton* measure_;
    StillText* account_;
    QThreadPool pool_;
};

} // namespace baryton
