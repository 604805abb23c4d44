#pragma once
#include <cstddef>
#include <filesystem>
#include <memory>
#include <optional>
#include <string>

namespace baryton {

/// How colours that the profile's device does not have are brought in (ICC.1:2022, 6.2). Between profiles of three
/// curves and a matrix all but the last are the same: they clip.
enum class RenderingIntent { Perceptual, Relative, Saturation, Absolute };

/// In which numbers a file holds its colours.
struct ProfileWish {
    enum class Space { Srgb, DisplayP3, Rec2020, File } space = Space::Srgb;
    std::filesystem::path file{}; ///< an ICC profile of an RGB device
    RenderingIntent intent = RenderingIntent::Relative;
    bool hasBlackPoint = true; ///< black point compensation

    bool operator==(const ProfileWish&) const = default;
};

// As they stand in plans and on the command line; nothing for other words.
std::string spaceName(ProfileWish::Space space); ///< "srgb", "display-p3", "rec2020", "file"
std::optional<ProfileWish::Space> spaceFromName(const std::string& name);
std::string intentName(RenderingIntent intent); ///< "perceptual", "relative", "saturation", "absolute"
std::optional<RenderingIntent> intentFromName(const std::string& name);

/// A profile made ready for files: what is embedded, and the way to its numbers. Safe from any thread.
///
/// Profiles of curves and a matrix run as those, colorants adapted by Bradford; nothing is clipped here. Others go
/// through Little CMS, which clips at their ends. Display P3 has sRGB's curve; Rec. 2020 a power of 2.4 (ITU-R
/// BT.1886), as LUTs have it here.
class OutputProfile {
public:
    /// Reads the file, where it is one. Throws Error when that is no profile of an RGB device that can be written to.
    explicit OutputProfile(const ProfileWish& wish = {});
    ~OutputProfile();
    OutputProfile(OutputProfile&&) noexcept;
    OutputProfile& operator=(OutputProfile&&) noexcept;

    const std::string& icc() const;
    /// What the profile calls itself.
    std::string name() const;
    bool isSrgb() const { return !matrix_ && !table_; }
    /// Planes of `count` values of the working encoding → the profile's numbers, in place.
    void operator()(float* r, float* g, float* b, std::size_t count) const;

private:
    struct Matrix;
    struct Table;
    std::shared_ptr<const std::string> icc_;
    std::unique_ptr<const Matrix> matrix_;
    std::unique_ptr<const Table> table_;
};

/// Whether a file is a profile that files can be written for; why not, for people, where it isn't.
std::optional<std::string> profileProblem(const std::filesystem::path& file);

} // namespace baryton
