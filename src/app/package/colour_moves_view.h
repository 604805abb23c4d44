#pragma once
#include "app/widgets/cube_view.h"
#include "app/widgets/segments.h"
#include "app/widgets/slice_view.h"
#include "app/widgets/still_text.h"
#include "app/widgets/value_row.h"
#include "base/task.h"

#include <QStackedWidget>
#include <QThreadPool>
#include <optional>

namespace baryton {

/// Where colours are taken: as points of the cube, which turns under the hand, and as a slice of one lightness; from
/// where they were to where they are. By a Look from what they were, or from what one Look makes of them to what
/// another does.
class ColourMovesView : public QWidget {
    Q_OBJECT
public:
    explicit ColourMovesView(Grade look, QWidget* parent = nullptr);
    ColourMovesView(Grade one, Grade other, QWidget* parent = nullptr);
    ~ColourMovesView() override;
    CubeView* cube() const { return cube_; }
    SliceView* slice() const { return slice_; }
    Segments* views() const { return views_; }
    enum View { AllColours, OneLightness };
    void showView(View view);
    ValueRow* share() const { return share_; }
    ValueRow* lightness() const { return lightness_; }
    const QString& said() const { return said_->text(); }

private:
    ColourMovesView(std::optional<Grade> from, Grade look, const QString& way, QWidget* parent);
    std::vector<ColourMove> moves(const std::vector<std::array<float, 3>>& colours) const;
    void workOut();
    void workOutSlice();
    std::optional<Grade> from_; ///< nothing: from what colours were
    Grade look_;
    Segments* views_;
    QStackedWidget* stack_;
    CubeView* cube_;
    SliceView* slice_;
    ValueRow *share_, *lightness_;
    StillText* said_;
    std::shared_ptr<Task> sliceTask_;
    QThreadPool pool_;
};

} // namespace baryton
