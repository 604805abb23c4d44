#include "lut_speed.h"
#include "grade/grade_json.h"
#include "lut/fit.h"
#include "lut/health.h"
#include "lut/learn_pattern.h"
#include "lut/pattern.h"
#include "rows.h"
#include "sample_picture.h"

namespace baryton::bench {

namespace {

/// The picture of a pattern, as it is read back.
Picture patternOf(int size) {
    const QuantisedPicture pattern = ownPattern(size, 16);
    Picture picture(pattern.width, pattern.height);
    const auto* numbers = reinterpret_cast<const std::uint16_t*>(pattern.bytes.data());
    for (int y = 0; y < pattern.height; ++y)
        for (int x = 0; x < pattern.width; ++x)
            for (int k = 0; k < 3; ++k)
                picture.row(k, y)[x] = static_cast<float>(numbers[3 * (y * pattern.width + x) + k]) / 65535;
    return picture;
}

} // namespace

void compareTables() {
    const Preset preset =
        readPresetFile(std::string(BARYTON_SOURCE) + "/share/presets/Meadow and lake/Late straw.bpreset");
    std::vector<Picture> pictures;
    for (const char* name : {"lake-fog.jpg", "backstage-mixed.jpg", "meadow-cart.jpg"})
        pictures.push_back(
            readThumbnail(std::string(BARYTON_SOURCE) + "/demo/pictures/" + name, 670)); // 300 000 pixels
    LutTable table;
    const Picture coarse = patternOf(33), fine = patternOf(65);
    const auto t = sideBySide(
        {[&] { table = bakeLook(preset.carried, 33, ""), measureFidelity(table, preset.carried, pictures); },
         [&] { fittedLook(preset.carried, 33, "", pictures); }, [&] { learnFromPattern(coarse); },
         [&] { learnFromPattern(fine); }, [&] { healthOf(table); }},
        kRounds);
    row("33³ sampled, measured on three pictures of 300 000 pixels", t[0].median);
    row("its nodes fitted", t[1].median, times(t[1].median / t[0].median) + " that");
    row("learned from a pattern of 33³", t[2].median);
    row("learned from a pattern of 65³", t[3].median, times(t[3].median / t[2].median) + " that");
    row("what a table does, judged", t[4].median);
}

} // namespace baryton::bench
