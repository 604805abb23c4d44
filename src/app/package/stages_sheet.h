#pragma once
#include "app/package/keep_row.h"
#include "app/tile_drawer.h"
#include "app/widgets/segments.h"
#include "app/widgets/sheet.h"
#include "app/widgets/shown_picture.h"
#include "lut/look_as_stages.h"

#include <QLabel>
#include <QPushButton>
#include <QThreadPool>

namespace baryton {

/// Stages in a row, in miniature, with room for six.
class StageRow : public QWidget {
    Q_OBJECT
public:
    explicit StageRow(QWidget* parent = nullptr);
    void setStages(const std::vector<Stage>& stages, bool withRest);

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    std::vector<Stage> stages_;
    bool hasRest_ = false;
};

/// What a LUT does, sought behind the window as stages that can be changed: shown as they are found, with the key
/// picture both ways, what they leave in figures, and the choice of what becomes of that.
class StagesSheet : public Sheet {
    Q_OBJECT
public:
    struct About {
        Stage lut;                  ///< as it is worn
        QString name;               ///< of the LUT, as the user knows it
        std::vector<Stage> known{}; ///< stages, where they are known already; empty to have them sought
        std::string replaces{};     ///< id of the stage of the key picture that they may take the place of
    };
    StagesSheet(AppState& state, About about, QWidget* parent = nullptr);
    ~StagesSheet() override;

    bool isDone() const { return found_.has_value(); }

private:
    void addFigures();
    void seek();
    void showSoFar(const FoundLook& look);
    void showFound(const LookAsStages& found);
    void showChoice();
    void drawPictures();
    std::vector<Stage> chosenStages() const;
    bool withRest() const { return rest_->current() == 1; }
    void keep();
    void putInPlace();

    AppState& state_;
    About about_;
    Grade look_; ///< the LUT alone
    StageRow* row_;
    QLabel* status_;
    ShownPicture *as_, *is_;
    QPushButton *enough_, *keepIt_, *place_ = nullptr;
    Segments* rest_;
    QLabel* figures_[2][6]{};
    KeepRow* name_;
    std::vector<Stage> stages_;
    std::optional<LookAsStages> found_;
    TileDrawer drawer_;
    QThreadPool pool_;
    Task task_;
};

} // namespace baryton
