#pragma once
#include "render/program.h"

namespace baryton {

/// A program made ready for the pixels of one view: stages that look around know their scale and what they see.
///
/// Runs over any rectangle of them; what a rectangle's pixels become is the same bytes whichever rectangles are asked
/// for, as long as the picture at hand reaches `margin` pixels further or ends where the frame ends.
class Plan {
public:
    /// `pixels` are those that it will run over, or have as many columns; where the map has no base level it is made
    /// of them, which must then be the frame.
    Plan(const Program& program, const FrameMap& frame, const Picture& pixels, int threads = 0,
         const Task* task = nullptr);

    /// How many pixels around a rectangle it reads.
    int margin() const { return margin_; }

    /// Runs over a rectangle of the picture, tile by tile, and hands every finished run of pixels to the sink; its x
    /// and y are the picture's. Throws Cancelled when the task says so, between tiles.
    void run(const Picture& picture, const PixelRect& wanted, const Program::Sink& sink, int threads = 0,
             const Task* task = nullptr) const;

    /// The mean colour of what a rectangle of the picture becomes, at its place and among its neighbours.
    std::array<float, 3> mean(const Picture& picture, const PixelRect& wanted) const;

private:
    struct Segment {
        PointRun points;
        std::optional<AreaKernel> area;
        float strength = 1; ///< of the area stage
        Carries carries;
    };
    PixelColumns columnsOf(const Picture& picture) const;
    Block blockAt(int x, int y) const;
    void runRow(const Picture& picture, const PixelRect& wanted, int y, const Program::Sink& sink) const;
    void runTile(const Picture& picture, const PixelRect& tile, const Program::Sink& sink) const;

    FrameMap frame_;
    std::vector<Segment> segments_;
    int margin_ = 0;
};

} // namespace baryton
