#pragma once
#include "render/program.h"

#include <deque>
#include <vector>

namespace baryton {

/// Makes grades quick for a control that is moving: Prep and Look baked as one cube of `size`³ nodes (layers with
/// masks as cubes of their own, behind them), Finish exact behind it. What is shown from it must be replaced by the
/// exact program when the hand rests; files are never made with it.
///
/// The cubes baked last are kept: while a mask is painted, or one layer of several is worked on, the others stay.
class Accelerator {
public:
    explicit Accelerator(int size = 33) : size_(size) {}
    Program accelerated(const Grade& grade);

private:
    struct Baked {
        Grade part;
        std::vector<Stage> stages;
    };
    /// The stages that look up what this part of a grade makes of colours.
    const std::vector<Stage>& cubeOf(const Grade& part);

    int size_;
    std::deque<Baked> kept_; ///< used last first
};

} // namespace baryton
