#pragma once
#include "picture/output_format.h"
#include "picture/output_profile.h"
#include "picture/picture.h"
#include "picture/size_wish.h"

#include <filesystem>
#include <memory>
#include <optional>
#include <string>

namespace baryton {

/// What files are sharpened for. On paper ink spreads, on matt more than on gloss: a wider structure is made
/// stronger, by the file's resolution.
enum class SharpenFor { None, Screen, Matt, Gloss };

/// Where a mark lies: the corners, the middles of the sides, and the middle.
enum class MarkPlace { TopLeft, Top, TopRight, Left, Middle, Right, BottomLeft, Bottom, BottomRight };

/// Something laid over the finished picture: a line of text, or a picture, by its alpha.
struct Mark {
    std::string text;              ///< white, with a thin dark seam; of no account where there is a picture
    std::filesystem::path picture; ///< any file that readPicture reads
    MarkPlace place = MarkPlace::BottomRight;
    double size = 4;       ///< its height, per cent of the file's shorter side, 0.5…100
    double strength = 0.6; ///< 0…1
    bool operator==(const Mark&) const = default;
    bool isThere() const { return strength > 0 && (!text.empty() || !picture.empty()); }
};

/// One kind of file that is made of each picture.
struct OutputSettings {
    OutputFormat format{};
    SizeWish size{};
    ProfileWish profile{};
    SharpenFor sharpenFor = SharpenFor::None;
    double sharpening = 1; ///< times what is usual for it, 0…2
    Mark mark{};
    bool operator==(const OutputSettings&) const = default;
};

// As they stand in plans and on the command line; nothing for other words.
std::string sharpenName(SharpenFor what); ///< "none", "screen", "matt", "gloss"
std::optional<SharpenFor> sharpenFromName(const std::string& name);
std::string markPlaceName(MarkPlace place); ///< "top-left" … "bottom-right"
std::optional<MarkPlace> markPlaceFromName(const std::string& name);

/// A mark at the size that a file needs, and where it lies there.
struct MarkRaster {
    Picture pixels; ///< with alpha, in the working encoding
    int x = 0, y = 0;
};

/// An output made ready once for all files of a run: its profile and its mark are read. Safe from any thread.
class Output {
public:
    /// Throws Error where the profile or the mark's picture can't be read, or the format has not that depth.
    explicit Output(const OutputSettings& settings = {});

    const OutputSettings& settings() const { return settings_; }
    const OutputProfile& profile() const { return profile_; }
    /// The mark in a file of this size; nothing where there is none.
    std::optional<MarkRaster> markIn(int width, int height) const;

private:
    OutputSettings settings_;
    OutputProfile profile_;
    Picture markPicture_;
};

/// How a file is sharpened: an unsharp mask on luma (stages/detail.h), in pixels of the file.
struct OutputSharpening {
    double amount = 0, radius = 0; ///< 0…2; sigma
};
/// For a file of that resolution; 300 dots per inch where it says nothing.
OutputSharpening sharpeningFor(const OutputSettings& settings, double dotsPerInch);

} // namespace baryton
