// What every shipped preset and 200 random grades gave in November 2026, before programs became plans: colours must
// not move. What works out a cube root and the way back from linear light was written anew since, with errors of the
// same size but others: steep grades show those up to a sixteenth of a step of 8 bits, and few of their results by
// more than 1e-5. `BARYTON_KEEP=results core_tests --gtest_filter=KeptResults.*` writes the results anew; only for a
// change of colour that is meant. `BARYTON_KEEP=grades` draws the random grades anew, too. The random grades are kept
// as text, because a new stage changes what the generator draws.
#include "base/file.h"
#include "grade/grade_json.h"
#include "grade/json.h"
#include "render/program.h"
#include "support/dispatch.h"
#include "support/samples.h"

#include <algorithm>
#include <cmath>
#include <cstdlib>
#include <cstring>
#include <filesystem>
#include <fstream>

namespace baryton::test {

namespace {

namespace fs = std::filesystem;

const fs::path kData = fs::path(BARYTON_SOURCE) / "tests/data";
constexpr int kGrades = 200, kWidth = 16, kHeight = 4;
constexpr std::size_t kFloats = 3UL * kWidth * kHeight;

std::vector<fs::path> shippedPresets() {
    std::vector<fs::path> files;
    for (const char* folder : {"demo/presets", "share/presets"})
        for (const auto& entry : fs::recursive_directory_iterator(fs::path(BARYTON_SOURCE) / folder))
            if (entry.path().extension() == ".bpreset") files.push_back(entry.path());
    std::sort(files.begin(), files.end());
    return files;
}

std::vector<Grade> keptGrades() {
    std::vector<Grade> grades;
    for (const Json& json : Json::parse(readFile(kData / "kept_grades.json")))
        grades.push_back(gradeFromText(json.dump()));
    return grades;
}

/// Half of it within 0…1, a quarter far outside.
std::vector<float> resultOf(const Grade& grade) {
    const Picture out = Program::compile(grade).graded(randomPicture(kWidth, kHeight, 11), 1);
    std::vector<float> floats;
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < kHeight; ++y) floats.insert(floats.end(), out.row(k, y), out.row(k, y) + kWidth);
    return floats;
}

void keep(const std::vector<Grade>& grades, const char* name) {
    std::ofstream out(kData / name, std::ios::binary);
    for (const Grade& grade : grades) {
        const auto floats = resultOf(grade);
        out.write(reinterpret_cast<const char*>(floats.data()),
                  static_cast<std::streamsize>(floats.size() * sizeof(float)));
    }
}

constexpr double kSixteenth = 1.0 / 255 / 16, kRounding = 1e-5;

/// The largest change, and how many results show any, on the instruction set of the kept ones.
void compare(const std::vector<Grade>& grades, const char* name) {
    const std::string bytes = readFile(kData / name);
    ASSERT_EQ(bytes.size(), grades.size() * kFloats * sizeof(float));
    double most = 0;
    std::size_t seen = 0;
    for (std::size_t i = 0; i < grades.size(); ++i) {
        std::vector<float> before(kFloats);
        std::memcpy(before.data(), bytes.data() + i * kFloats * sizeof(float), kFloats * sizeof(float));
        const std::vector<float> now = resultOf(grades[i]);
        double worst = 0;
        for (std::size_t k = 0; k < kFloats; ++k) {
            const double change = std::abs(double(now[k]) - before[k]) / std::max(1.0, std::abs(double(before[k])));
            worst = std::max(worst, change);
            seen += change > kRounding;
        }
        EXPECT_LE(worst, kSixteenth) << name << ", grade " << i;
        most = std::max(most, worst);
    }
    testing::Test::RecordProperty("mostChange", std::to_string(most));
    EXPECT_LT(double(seen), 0.01 * double(grades.size() * kFloats)) << name;
    std::printf("%s: %zu of %zu changed by more than %g, largest change %.2g\n", name, seen, grades.size() * kFloats,
                kRounding, most);
}

/// Results are kept for one instruction set: others differ by their rounding.
class KeptResults : public testing::Test {
protected:
    void SetUp() override {
        if ((hwy::SupportedTargets() & HWY_AVX2) == 0) GTEST_SKIP() << "kept for AVX2, which this machine has not";
        hwy::GetChosenTarget().Update(HWY_AVX2);
    }
    void TearDown() override { hwy::GetChosenTarget().Update(hwy::SupportedTargets()); }
    const std::string keeps_ = std::getenv("BARYTON_KEEP") ? std::getenv("BARYTON_KEEP") : "";
};

TEST_F(KeptResults, ShippedPresetsGiveTheColoursTheyGave) {
    std::vector<Grade> grades;
    for (const fs::path& file : shippedPresets()) grades.push_back(readPresetFile(file).carried);
    if (!keeps_.empty()) keep(grades, "kept_presets.bin");
    compare(grades, "kept_presets.bin");
}

TEST_F(KeptResults, RandomGradesGiveTheColoursTheyGave) {
    if (keeps_ == "grades") {
        Random random(1126);
        Json all = Json::array();
        for (int i = 0; i < kGrades; ++i) all.push_back(Json::parse(gradeToText(randomGrade(random))));
        writeFileAtomically(kData / "kept_grades.json", all.dump(0));
    }
    if (!keeps_.empty()) keep(keptGrades(), "kept_grades.bin");
    const auto grades = keptGrades();
    ASSERT_EQ(grades.size(), std::size_t(kGrades));
    compare(grades, "kept_grades.bin");
}

} // namespace
} // namespace baryton::test
