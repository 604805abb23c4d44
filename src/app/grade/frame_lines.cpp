#include "app/grade/frame_lines.h"

#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

double apart(PlacedPoint a, PlacedPoint b) {
    return std::hypot(a.x - b.x, a.y - b.y);
}

} // namespace

std::vector<DrawnLine> FrameLines::of(bool upright) const {
    std::vector<DrawnLine> all;
    for (const Line& line : lines_)
        if (line.isUpright == upright) all.push_back(line.places);
    return all;
}

bool FrameLines::hold(PlacedPoint at, double reach) {
    held_.reset();
    double nearest = reach;
    for (std::size_t i = 0; i < lines_.size(); ++i)
        for (const bool isFrom : {true, false}) {
            const DrawnLine& line = lines_[i].places;
            const double away = apart(isFrom ? line.from : line.to, at);
            if (away <= nearest) nearest = away, held_ = End{i, isFrom};
        }
    return held_.has_value();
}

void FrameLines::begin(PlacedPoint at) {
    lines_.push_back({{at, at}, false});
    held_ = End{lines_.size() - 1, false};
}

void FrameLines::pullTo(PlacedPoint at) {
    if (!held_) return;
    DrawnLine& line = lines_[held_->line].places;
    (held_->isFrom ? line.from : line.to) = at;
}

bool FrameLines::letGo(bool isUpright, double shortest) {
    if (!held_) return false;
    const std::size_t which = held_->line;
    held_.reset();
    if (apart(lines_[which].places.from, lines_[which].places.to) < shortest) {
        lines_.erase(lines_.begin() + static_cast<std::ptrdiff_t>(which));
        return false;
    }
    lines_[which].isUpright = isUpright;
    if (of(isUpright).size() > 2) // the oldest of its kind gives way
        lines_.erase(std::find_if(lines_.begin(), lines_.end(),
                                  [&](const Line& line) { return line.isUpright == isUpright; }));
    return true;
}

std::optional<Straightening> FrameLines::straightening(const CameraTurn& known, double width, double height) const {
    auto upright = of(true), level = of(false);
    if (upright.size() < 2) upright.clear();
    if (level.size() < 2) level.clear();
    return straightenedBy(upright, level, known, width, height);
}

} // namespace baryton
