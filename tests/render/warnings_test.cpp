#include "base/file.h"
#include "grade/grade_json.h"
#include "render/diagnose.h"
#include "support/samples.h"
#include "support/sanitized.h"
#include "support/temp_folder.h"

#include <filesystem>
#include <gtest/gtest.h>

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

std::vector<fs::path> filesIn(const fs::path& folder, const char* extension) {
    std::vector<fs::path> files;
    for (const auto& each : fs::recursive_directory_iterator(folder))
        if (each.path().extension() == extension) files.push_back(each.path());
    std::sort(files.begin(), files.end());
    return files;
}

} // namespace

TEST(Warnings, AreRareWithTheOwnPresetsOnTheDemoPictures) {
    std::vector<Picture> pictures;
    for (const fs::path& file : filesIn(demo() / "pictures", ".jpg")) pictures.push_back(readThumbnail(file, 256));
    const std::vector<fs::path> presets = filesIn(fs::path(BARYTON_SOURCE) / "share/presets", ".bpreset");
    ASSERT_EQ(pictures.size() * presets.size(), 456u);
    // Steps that share no divisor with the number of pictures: every picture is met, and every preset.
    constexpr std::size_t step = kSanitized ? 19 : 5;
    int warned = 0;
    std::string all;
    for (std::size_t i = 0; i < 456; i += step) {
        const Preset preset = presetFromText(readFile(presets[i / pictures.size()]));
        const Grade grade = applied(startingGrade(), preset, ApplyMode::Set);
        int warnings = 0;
        for (const StageReport& report : diagnose(grade, pictures[i % pictures.size()]))
            if (report.isWarning && ++warnings == 1) all += preset.name + ": " + report.sentence + '\n';
        EXPECT_LE(warnings, 1) << preset.name << ": once, at the stage most at fault";
        warned += warnings > 0;
    }
    EXPECT_LE(warned, 456 / static_cast<int>(step) / 8) << all;
}

} // namespace baryton::test
