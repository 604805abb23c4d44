#pragma once
#include "app/widgets/cube_view.h"
#include "app/widgets/segments.h"
#include "app/widgets/sheet.h"
#include "app/widgets/slice_view.h"
#include "app/widgets/still_text.h"
#include "app/widgets/value_row.h"
#include "base/task.h"

#include <QStackedWidget>
#include <QThreadPool>

namespace baryton {

/// Where a LUT, or any Look, takes all colours: as points of the cube, which turns under the hand, and as a slice of
/// one lightness; from where they were to where they are.
class ColourMovesSheet : public Sheet {
    Q_OBJECT
public:
    ColourMovesSheet(const QString& name, Grade look, QWidget* parent);
    ~ColourMovesSheet() override;
    CubeView* cube() const { return cube_; }
    SliceView* slice() const { return slice_; }
    Segments* views() const { return views_; }
    ValueRow* share() const { return share_; }
    ValueRow* lightness() const { return lightness_; }
    const QString& said() const { return said_->text(); }

private:
    void workOut();
    void workOutSlice();
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
