// Fitted nodes: nearer the Look than sampled ones, on what the fit has not seen; chosen only where that is so.
#include "grade/grade_json.h"
#include "lut/fit.h"
#include "picture/picture_file.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/sanitized.h"
#include "support/temp_folder.h"

#include <algorithm>
#include <gtest/gtest.h>

namespace baryton::test {

namespace {

std::vector<Preset> ours(int every) {
    std::vector<std::filesystem::path> files;
    for (const auto& each :
         std::filesystem::recursive_directory_iterator(std::string(BARYTON_SOURCE) + "/share/presets"))
        if (each.path().extension() == ".bpreset") files.push_back(each.path());
    std::sort(files.begin(), files.end());
    std::vector<Preset> presets;
    for (std::size_t i = 0; i < files.size(); i += static_cast<std::size_t>(every))
        presets.push_back(readPresetFile(files[i]));
    return presets;
}

std::vector<Picture> photographs(int longSide) {
    std::vector<Picture> all;
    for (const char* name : {"lake-fog.jpg", "backstage-mixed.jpg", "meadow-cart.jpg"})
        all.push_back(readThumbnail(demo() / "pictures" / name, longSide));
    return all;
}

struct Ratios {
    double mean = 0, percentile99 = 0, worst = 0;
    void add(const Difference& fitted, const Difference& sampled) {
        mean += fitted.mean / sampled.mean, percentile99 += fitted.percentile99 / sampled.percentile99;
        worst += fitted.worst / sampled.worst;
    }
};

} // namespace

TEST(Fit, ComesNearerOnColoursAndPhotographsThatItHasNotSeen) {
    if (kSanitized) GTEST_SKIP() << "how near it comes is measured without them";
    Ratios cube, pictures;
    int count = 0;
    const std::vector<Picture> unseen = photographs(kSanitized ? 60 : 300);
    for (const Preset& preset : ours(kSanitized ? 13 : 4)) {
        const int size = kSanitized ? 17 : 33;
        const Fidelity sampled = measureFidelity(bakeLook(preset.carried, size, ""), preset.carried, unseen);
        if (sampled.cube.worst < 0.1) continue; // nobody could tell
        const Fidelity fitted = measureFidelity(fittedLook(preset.carried, size, ""), preset.carried, unseen);
        cube.add(fitted.cube, sampled.cube), pictures.add(fitted.pictures, sampled.pictures);
        ++count;
        // With the pictures at hand it is chosen, or it is not better.
        const ChosenNodes chosen = chosenNodes(preset.carried, size, "", NodeWay::Best, unseen);
        EXPECT_LE(chosen.fidelity.cube.mean, sampled.cube.mean) << preset.name;
        EXPECT_LE(chosen.fidelity.pictures.mean, sampled.pictures.mean) << preset.name;
        EXPECT_LE(chosen.fidelity.cube.worst, sampled.cube.worst + 0.021) << preset.name;
        EXPECT_EQ(chosen.isFitted, chosen.sampled.has_value());
    }
    ASSERT_GE(count, kSanitized ? 1 : 5);
    if (kSanitized) return;
    EXPECT_LT(cube.mean / count, 0.75);
    EXPECT_LT(cube.percentile99 / count, 0.8);
    EXPECT_LT(cube.worst / count, 0.9);
    EXPECT_LT(pictures.mean / count, 0.9);
    EXPECT_LT(pictures.percentile99 / count, 0.95);
    EXPECT_LT(pictures.worst / count, 1.0);
}

TEST(Fit, HoldsCornersAndNeutralsAndIsTheSameEachTime) {
    const Preset preset =
        readPresetFile(std::string(BARYTON_SOURCE) + "/share/presets/Stage light/Limelight.bpreset");
    constexpr std::size_t n = 17;
    const LutTable sampled = bakeLook(preset.carried, n, "a"), fitted = fittedLook(preset.carried, n, "a"),
                   again = fittedLook(preset.carried, n, "a");
    EXPECT_EQ(fitted, again);
    EXPECT_NE(fitted.grid, sampled.grid);
    const auto node = [](const LutTable& table, std::size_t r, std::size_t g, std::size_t b) {
        const float* at = &table.grid[3 * (r + n * (g + n * b))];
        return std::array{at[0], at[1], at[2]};
    };
    for (std::size_t i = 0; i < n; ++i) EXPECT_EQ(node(fitted, i, i, i), node(sampled, i, i, i));
    for (const std::size_t r : {std::size_t(0), n - 1})
        for (const std::size_t g : {std::size_t(0), n - 1})
            for (const std::size_t b : {std::size_t(0), n - 1})
                EXPECT_EQ(node(fitted, r, g, b), node(sampled, r, g, b));
    Task task;
    task.cancel();
    EXPECT_THROW(fittedLook(preset.carried, n, "a", {}, {}, &task), Cancelled);
}

TEST(Fit, LeavesAloneWhatIsExact) {
    const LutTable identity = bakeLook({}, 9, "");
    const LutTable fitted = fittedLook({}, 9, "");
    for (std::size_t i = 0; i < identity.grid.size(); ++i) ASSERT_NEAR(fitted.grid[i], identity.grid[i], 1e-5);
    EXPECT_FALSE(chosenNodes({}, 9, "", NodeWay::Sampled).isFitted);
    EXPECT_TRUE(chosenNodes({}, 9, "", NodeWay::Fitted).isFitted);
    for (const int size : {2, 3}) EXPECT_EQ(chosenNodes({}, size, "", NodeWay::Best).table.gridSize(), size);
    EXPECT_FALSE(chosenNodes({}, kFinestFit + 1, "", NodeWay::Best).isFitted);
    errorOf([] { chosenNodes({}, 1, "", NodeWay::Best); });
}

} // namespace baryton::test
