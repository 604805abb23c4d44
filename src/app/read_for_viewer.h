#pragma once
#include "picture/metadata.h"
#include "render/view.h"
#include "stages/raw.h"
#include "stages/source.h"

#include <QString>
#include <filesystem>
#include <functional>
#include <memory>
#include <mutex>
#include <vector>

namespace baryton {

/// A picture decoded for the viewer, freed of what its lens did and in its frame, as its grade says.
struct LoadedPicture {
    std::shared_ptr<const Pyramid> pyramid; ///< null where it could not be read
    Metadata metadata;
    Geometry geometry; ///< by which it was placed
    PictureSize whole; ///< the picture's size without a frame
    Shot shot{};
    /// Of a raw file: what it is developed from, a small version of that, and the settings by which it was.
    std::shared_ptr<const RawPixels> raw{}, rawSmall{};
    RawSettings developed{};
};

constexpr int kFittedSide = 1400; ///< enough for a fitted view

/// The picture at kSmallSide, or at what a stand-in has.
Picture smallVersion(const Pyramid& pyramid);

/// What is to be read for the viewer.
struct ViewerWish {
    std::filesystem::path file;
    RawSettings raw;
    LensSettings lens;       ///< what is known of the lens is looked up as well, so that the window finds it at once
    bool withPreview = true; ///< what the camera made of a raw file comes first
    bool operator==(const ViewerWish&) const = default;
};

/// One version of a picture: of a large one several come, each better than the one before, the picture itself last.
struct ViewerVersion {
    LoadedPicture picture;
    Picture small;   ///< at kSmallSide, or at what there is; empty in the camera's own
    QString message; ///< why it could not be read, or what of it was not taken
};
using ViewerListener = std::function<void(const ViewerVersion&)>;

/// Reads a picture and tells of each version in the calling thread. `withSmall`: the small version is made too, once.
void readForViewer(const ViewerWish& wish, bool withSmall, const ViewerListener& tell);

/// A picture that is read before anybody can take it: while the window that will show it is being made.
class ReadAhead {
public:
    /// Begins at once, behind the window.
    explicit ReadAhead(ViewerWish wish);
    const ViewerWish& wish() const { return wish_; }
    /// Tells of what there is, in this thread, and of what comes later, in the reading one.
    void listen(ViewerListener listener);

private:
    struct Told {
        std::mutex lock;
        std::vector<ViewerVersion> versions;
        ViewerListener listener;
    };
    ViewerWish wish_;
    std::shared_ptr<Told> told_ = std::make_shared<Told>();
};

} // namespace baryton
