#pragma once
#include "picture/perspective.h"

#include <optional>
#include <vector>

namespace baryton {

/// Lines drawn on a picture along what ought to be upright or level: the last two of each kind, in pixels of the
/// oriented picture, whose ends can be moved.
class FrameLines {
public:
    struct Line {
        DrawnLine places;
        bool isUpright = false;
    };
    const std::vector<Line>& lines() const { return lines_; }
    bool isEmpty() const { return lines_.empty(); }
    void clear() { lines_.clear(), held_.reset(); }

    /// Takes hold of the end nearest to a place, within `reach` of it; false where there is none.
    bool hold(PlacedPoint at, double reach);
    /// Begins a line there, and holds its other end.
    void begin(PlacedPoint at);
    void pullTo(PlacedPoint at);
    /// Lets go. The line in hand counts as upright or level as it is seen now; one shorter than `shortest` is no
    /// line. False where it was none.
    bool letGo(bool isUpright, double shortest);
    const Line* held() const { return held_ ? &lines_[held_->line] : nullptr; }

    /// Whether there are two of a kind.
    bool canStraighten() const { return of(true).size() == 2 || of(false).size() == 2; }
    /// See straightenedBy; `known` is the turn in force, by which the lines are not straight yet.
    std::optional<Straightening> straightening(const CameraTurn& known, double width, double height) const;

private:
    std::vector<DrawnLine> of(bool upright) const;
    std::vector<Line> lines_;
    struct End {
        std::size_t line;
        bool isFrom;
    };
    std::optional<End> held_;
};

} // namespace baryton
