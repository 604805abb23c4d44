#pragma once
#include "picture/picture.h"
#include "render/base_level.h"
#include "render/program.h"

#include <functional>
#include <memory>
#include <vector>

namespace baryton {

/// An open picture at all its halvings, so that every zoom starts from something of about its size.
class Pyramid {
public:
    /// `makeBase` makes the base level's pixels, where they are not just the picture made smaller (placed_base.h).
    explicit Pyramid(Picture full, const Task* task = nullptr, std::function<Picture()> makeBase = {});
    /// A stand-in while the picture itself is still being read: a smaller version of a picture of width × height.
    Pyramid(Picture smaller, int width, int height);

    /// The largest level: the picture itself, unless this is a stand-in.
    const Picture& full() const { return levels_.front(); }
    /// Size of the picture itself.
    int width() const { return width_; }
    int height() const { return height_; }
    bool isStandIn() const { return full().width() != width_; }
    const std::vector<Picture>& levels() const { return levels_; }
    std::size_t bytes() const;
    /// Made when it is first asked for: as was said at the beginning, else the same as BaseLevel::of the picture.
    std::shared_ptr<const BaseLevel> base() const;
    /// A much smaller one, for what must be quick.
    std::shared_ptr<const BaseLevel> quickBase() const;

private:
    void halve(const Task* task);

    std::vector<Picture> levels_;
    int width_, height_;
    std::function<Picture()> makeBase_;
    mutable std::mutex baseLock_;
    mutable std::shared_ptr<const BaseLevel> base_, quickBase_;
};

/// What a viewer shows of a picture: a rectangle of the frame at a scale.
struct ViewRegion {
    double left = 0, top = 0;  ///< of the visible part, in pixels of the full picture
    int width = 0, height = 0; ///< in device pixels of the screen
    double scale = 1;          ///< device pixels per picture pixel

    bool operator==(const ViewRegion&) const = default;
};

/// The pixels that a region is graded from. At scale 1 these are the picture's own, so that what is shown is what the
/// file will have; smaller scales average in linear light. Where the region is larger than the picture its pixels are
/// graded as they are and repeated after that.
struct ViewSource {
    Picture pixels; ///< the region and what around it was asked for, as far as the frame goes
    FrameMap frame;
    PixelRect wanted;          ///< the region, in pixels
    int width = 0, height = 0; ///< of the region on the screen
    /// Which column and row of `wanted` stand in each of the region's; empty where they are one to one.
    std::vector<int> columns, rows;
};
ViewSource viewSource(const Pyramid& pyramid, const ViewRegion& region, const ViewNeeds& needs = {});

/// Runs a program over what a region shows: x and y of the sink are the region's.
void runOverView(const Program& program, const ViewSource& source, const Program::Sink& sink, int threads = 0,
                 const Task* task = nullptr);

/// The scale that a region of a picture is graded at: that of the screen, but never larger than the pixels there are.
double gradedScale(const Pyramid& pyramid, const ViewRegion& region);

} // namespace baryton
