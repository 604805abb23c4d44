#pragma once
#include "app/app_state.h"
#include "app/tile_drawer.h"
#include "app/widgets/segments.h"
#include "app/widgets/sheet.h"
#include "lut/learn_pattern.h"

#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QThreadPool>

namespace baryton {

/// Another program's grade as a LUT: a pattern is written, graded there, and brought back, with an account of what
/// else befell it and the key picture as it would become.
class LearnSheet : public Sheet {
    Q_OBJECT
public:
    explicit LearnSheet(AppState& state, QWidget* parent = nullptr);
    ~LearnSheet() override;

    void writeTo(const QString& file);
    void learnFrom(const QString& file);

protected:
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;

private:
    void addFirstStep();
    void addSecondStep();
    void showSizes();
    void showLearnt(const QString& file, const LearntLut& learnt);
    void drawPictures();
    void check();
    void keep();

    AppState& state_;
    Segments *layouts_, *sizes_, *depths_;
    QLabel *written_, *account_, *before_, *after_;
    QLineEdit* name_;
    QComboBox* group_;
    QPushButton *write_, *choose_, *keep_;
    std::optional<LutTable> table_;
    TileDrawer drawer_;
    QThreadPool pool_;
    std::shared_ptr<Task> task_; ///< of the file that was asked for last
};

} // namespace baryton
