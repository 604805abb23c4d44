#include "colour/encodings.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "grade/grade_json.h"
#include "lut/accelerate.h"
#include "lut/by_grid.h"
#include "lut/colour_moves.h"
#include "lut/export_lut.h"
#include "lut/learn_pattern.h"
#include "lut/pattern.h"
#include "stages/lut_kernel.h"
#include "stages/validate.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/sanitized.h"
#include "support/temp_folder.h"

#include <OpenColorIO/OpenColorIO.h>
#include <algorithm>
#include <cmath>
#include <cstring>
#include <unistd.h>

namespace baryton::test {

namespace fs = std::filesystem;
namespace ocio = OCIO_NAMESPACE;

namespace {

LutTable randomTable(int size, int entries, Random& random, double low = -0.2, double high = 1.3) {
    LutTable table;
    table.title = "random";
    for (int i = 0; i < size * size * size * 3; ++i)
        table.grid.push_back(static_cast<float>(uniform(random, low, high)));
    for (int i = 0; i < entries; ++i)
        for (int k = 0; k < 3; ++k)
            table.shaper.push_back(static_cast<float>((i + uniform(random, 0, 0.5)) / entries));
    return table;
}

/// A picture through a LUT file as OpenColorIO reads and applies it.
Picture throughOcio(const fs::path& file, const Picture& in,
                    ocio::Interpolation interpolation = ocio::INTERP_TETRAHEDRAL) {
    auto transform = ocio::FileTransform::Create();
    transform->setSrc(file.c_str());
    transform->setInterpolation(interpolation);
    const auto config = ocio::Config::CreateRaw();
    const auto cpu = config->getProcessor(transform)->getOptimizedCPUProcessor(
        ocio::BIT_DEPTH_F32, ocio::BIT_DEPTH_F32, ocio::OPTIMIZATION_LOSSLESS);
    std::vector<float> pixels;
    for (int y = 0; y < in.height(); ++y)
        for (int x = 0; x < in.width(); ++x)
            for (int k = 0; k < 3; ++k) pixels.push_back(in.row(k, y)[x]);
    ocio::PackedImageDesc image(pixels.data(), in.width(), in.height(), 3);
    cpu->apply(image);
    Picture out(in.width(), in.height());
    for (int y = 0; y < in.height(); ++y)
        for (int x = 0; x < in.width(); ++x)
            for (int k = 0; k < 3; ++k)
                out.row(k, y)[x] = pixels[static_cast<std::size_t>((y * in.width() + x) * 3 + k)];
    return out;
}

/// The same through ffmpeg's lut3d at 16 bits.
Picture throughFfmpeg(const fs::path& file, const Picture& in, const TempFolder& folder) {
    QuantisedPicture source(in.width(), in.height(), 3, 16);
    for (int y = 0; y < in.height(); ++y)
        source.setRow(y, 0, in.width(), in.row(0, y), in.row(1, y), in.row(2, y), nullptr);
    const auto raw = folder.file("in.raw", std::string(source.bytes.begin(), source.bytes.end()));
    const auto result = folder / "out.raw";
    const std::string command = "ffmpeg -v error -y -f rawvideo -pix_fmt rgb48le -s " + std::to_string(in.width()) +
                                "x" + std::to_string(in.height()) + " -i " + raw.string() +
                                " -vf format=gbrp16le,lut3d=file=" + file.string() +
                                ":interp=tetrahedral,format=rgb48le -f rawvideo -pix_fmt rgb48le " + result.string();
    EXPECT_EQ(std::system(command.c_str()), 0);
    const std::string bytes = readFile(result);
    EXPECT_EQ(bytes.size(), source.bytes.size());
    Picture out(in.width(), in.height());
    const auto* words = reinterpret_cast<const std::uint16_t*>(bytes.data());
    for (int y = 0; y < in.height(); ++y)
        for (int x = 0; x < in.width(); ++x)
            for (int k = 0; k < 3; ++k)
                out.row(k, y)[x] = static_cast<float>(words[(y * in.width() + x) * 3 + k]) / 65535;
    return out;
}

struct Errors {
    double mean = 0, percentile99 = 0, worst = 0;
};
Errors deltaE(const Picture& a, const Picture& b) {
    std::vector<double> all;
    const auto lab = [](const Picture& p, int x, int y) {
        Vec3 v;
        for (int k = 0; k < 3; ++k) v[static_cast<std::size_t>(k)] = std::clamp(p.row(k, y)[x], 0.0F, 1.0F);
        return labFromSrgb(v);
    };
    Errors e;
    for (int y = 0; y < a.height(); ++y)
        for (int x = 0; x < a.width(); ++x) {
            all.push_back(deltaE2000(lab(a, x, y), lab(b, x, y)));
            e.mean += all.back();
        }
    std::sort(all.begin(), all.end());
    e.mean /= static_cast<double>(all.size());
    e.percentile99 = all[all.size() * 99 / 100];
    e.worst = all.back();
    return e;
}

std::string cube(const std::string& head, int rows) {
    std::string text = head;
    for (int i = 0; i < rows; ++i) text += "0.5 0.25 1\n";
    return text;
}

} // namespace

TEST(Cube, RoundTripsExactly) {
    Random random(1);
    for (const auto& [size, entries] : {std::pair(2, 0), std::pair(17, 0), std::pair(0, 65), std::pair(9, 256)}) {
        LutTable table = randomTable(size, entries, random);
        if (size == 17) table.gridMin = {-0.5F, 0, 0.1F}, table.gridMax = {2, 1, 1.5F};
        const ParsedLut back = parseCube(cubeText(table));
        EXPECT_EQ(back.table, table) << size << ' ' << entries;
    }
}

TEST(Cube, ReadsWhatOthersWrite) {
    const ParsedLut spaced = parseCube("# made elsewhere\r\n\r\nTITLE \"A title with spaces\"\r\n LUT_3D_SIZE\t2 "
                                       "\r\nDOMAIN_MIN 0 0 0\r\nDOMAIN_MAX 2.0 2 2e0\r\n" +
                                       cube("", 7) + "1E-1\t+.5  -2.5e-2");
    EXPECT_EQ(spaced.table.title, "A title with spaces");
    EXPECT_EQ(spaced.table.gridSize(), 2);
    EXPECT_EQ(spaced.table.gridMax[1], 2);
    EXPECT_NEAR(spaced.table.grid[21], 0.1, 1e-7);
    EXPECT_NEAR(spaced.table.grid[23], -0.025, 1e-7);
    const ParsedLut ranged = parseCube(cube("LUT_1D_SIZE 3\nLUT_1D_INPUT_RANGE -1 3\n", 3));
    EXPECT_EQ(ranged.table.shaperMax[0], 3);
    EXPECT_EQ(ranged.table.shaperSize(), 3u);
}

TEST(Cube, RefusesWithTheLine) {
    const struct {
        std::string text, place;
    } wrong[] = {
        {cube("LUT_3D_SIZE 2\n", 7), ""},
        {cube("LUT_3D_SIZE 2\n", 9), "line 10"},
        {cube("LUT_3D_SIZE 2\n", 3) + "a b c\n" + cube("", 4), "line 5"},
        {cube("LUT_3D_SIZE 2\n", 3) + "nan 0 0\n" + cube("", 4), "line 5"},
        {cube("LUT_3D_SIZE 2\n", 3) + "inf 0 0\n" + cube("", 4), "line 5"},
        {cube("LUT_3D_SIZE 2\n", 3) + "1 2\n" + cube("", 4), "line 5"},
        {cube("LUT_3D_SIZE 1\n", 1), "line 1"},
        {cube("LUT_3D_SIZE 257\n", 1), "line 1"},
        {cube("LUT_3D_SIZE 256\n", 1), ""},
        {cube("LUT_1D_SIZE 99999999999999999999\n", 1), "line 1"},
        {cube("", 8), "line 1"},
        {"LUT_3D_SIZE 2\nDOMAIN_MIN 1 1 1\nDOMAIN_MAX 1 1 1\n" + cube("", 8), ""},
        {"LUT_3D_SIZE 2\n<b> 1\n" + cube("", 8), "line 2"},
        {"", ""},
    };
    for (const auto& w : wrong) {
        const Error e = errorOf([&] { parseCube(w.text); });
        if (!w.place.empty()) EXPECT_EQ(e.place(), w.place) << e.what();
    }
}

TEST(ThreeDl, RoundTripsWithinItsSteps) {
    Random random(2);
    for (const double high : {1.0, 0.3}) { // a dark one must not be taken for one of lesser depth
        const LutTable table = randomTable(17, 0, random, 0, high);
        const ParsedLut back = parseThreeDl(threeDlText(table));
        ASSERT_EQ(back.table.gridSize(), 17);
        for (std::size_t i = 0; i < table.grid.size(); ++i)
            ASSERT_NEAR(back.table.grid[i], table.grid[i], 0.51 / 4095);
    }
}

TEST(ThreeDl, ReadsRealHeadsAndRefusesBadOnes) {
    std::string rows;
    for (int i = 0; i < 8; ++i) rows += "0 512 1023\n";
    EXPECT_EQ(parseThreeDl("3DMESH\nMesh 1 10\n0 1023\n" + rows + "LUT8\ngamma 1.0\n").table.gridSize(), 2);
    EXPECT_NEAR(parseThreeDl("# note\n0 1023\n" + rows).table.grid[1], 512 / 1023.0, 1e-6);
    EXPECT_FALSE(parseThreeDl("0 1023\n" +
                              std::string("0 0 100\n0 0 100\n0 0 100\n0 0 100\n0 0 100\n0 0 100\n0 0 100\n0 0 100\n"))
                     .remarks.empty());
    for (const std::string& wrong :
         {std::string("0 1023\n") + rows + "1 2 3\n", "1023 0\n" + rows, "0 5 1023\n" + rows,
          std::string("0 1023\n0 0 zero\n"), std::string("words here\n"), "Mesh 1 8\n0 1023\n" + rows, std::string()})
        errorOf([&] { parseThreeDl(wrong); });
}

TEST(ThreeDl, TheSmallestGridsAreReadBackToo) {
    Random random(12);
    for (const int size : {2, 3, 4}) { // two or three positions look much like a line of the table
        const LutTable table = randomTable(size, 0, random, 0, 1);
        const ParsedLut back = parseThreeDl(threeDlText(table));
        ASSERT_EQ(back.table.gridSize(), size);
        for (std::size_t i = 0; i < table.grid.size(); ++i)
            EXPECT_NEAR(back.table.grid[i], table.grid[i], 0.51 / 4095);
    }
    errorOf([] { parseThreeDl("512 0 1023\n0 0 0\n"); });
}

TEST(ThreeDl, WritesOnlyWhatItCanHold) {
    Random random(13);
    LutTable shaped = randomTable(5, 16, random, 0, 1), wide = randomTable(5, 0, random, 0, 1);
    wide.gridMax = {2, 2, 2};
    for (const LutTable& table : {shaped, wide, randomTable(0, 8, random)}) {
        const Error e = errorOf([&] { threeDlText(table); });
        EXPECT_NE(e.hint().find(".cube"), std::string::npos) << "it says which format can";
    }
}

TEST(LutExport, AccountsForTheFileThatWasWritten) {
    const TempFolder folder;
    constexpr int fine = kSanitized ? 9 : 33;
    Grade grade = startingGrade();
    grade.look[0].stages[0].parameters["rgb"] = Curve{{0, 0.05}, {0.5, 0.45}, {1, 0.95}};
    grade.finish[0].parameters["stops"] = -1.0;
    const std::vector<Picture> pictures = {paintedPicture(40, 30)};
    const auto exported = [&](const char* name, LutFormat format, int size) {
        return exportLut(grade, {{.format = format}, folder / name, size, "account"}, pictures);
    };
    const LutExportReport cube = exported("a.cube", LutFormat::Cube, fine),
                          coarse = exported("b.cube", LutFormat::Cube, 5);
    const LutExportReport steps = exported("c.3dl", LutFormat::ThreeDl, fine);
    EXPECT_EQ(cube.leftOut, std::vector<std::string>{"Vignette"});
    EXPECT_LT(cube.fidelity.cube.mean, coarse.fidelity.cube.mean);
    EXPECT_GE(steps.fidelity.cube.mean, cube.fidelity.cube.mean) << "twelve bits are told as what they cost";
    EXPECT_LE(cube.fidelity.cube.percentile99, cube.fidelity.cube.worst);
    EXPECT_EQ(readLutFile(folder / "a.cube").table.title, "account");
    // Where it cannot be written the error names the file and nothing appears.
    folder.file("blocked", "a file, no folder");
    const Error e = errorOf([&] { exported("blocked/a.cube", LutFormat::Cube, 5); });
    EXPECT_NE(std::string(e.what()).find("blocked"), std::string::npos);
    EXPECT_EQ(folder.entries(), 4u);
}

TEST(LutExport, ChoosesNodesByTheFileThatHoldsThem) {
    if (kSanitized) GTEST_SKIP() << "which are nearer is measured without them";
    // A look far past both ends: a .3dl cuts off what nodes beyond 0…1 would do between them.
    const TempFolder folder;
    Grade grade = startingGrade();
    grade.look[0].stages[0].parameters["rgb"] = Curve{{0, 0}, {0.2, 0}, {0.6, 1}, {1, 1}};
    grade.look[0].stages[2].parameters["overall"] = 0.8;
    const std::vector<Picture> pictures = {paintedPicture(120, 80)};
    for (const LutFormat format : {LutFormat::Cube, LutFormat::ThreeDl}) {
        const auto exported = [&](NodeWay way) {
            return exportLut(grade, {{.format = format}, folder / ("a." + lutExtension(format)), 17, "far", way},
                             pictures);
        };
        const LutExportReport best = exported(NodeWay::Best), sampled = exported(NodeWay::Sampled);
        EXPECT_LE(best.fidelity.cube.mean, sampled.fidelity.cube.mean);
        EXPECT_LE(best.fidelity.pictures.mean, sampled.fidelity.pictures.mean);
        EXPECT_LE(best.fidelity.cube.worst, sampled.fidelity.cube.worst + 0.02);
        if (best.sampled) EXPECT_EQ(best.sampled->cube.mean, sampled.fidelity.cube.mean) << "as written";
        const ChosenNodes chosen = chosenNodes(grade, 17, "far", NodeWay::Best, pictures, {.format = format});
        EXPECT_EQ(chosen.fidelity.cube.mean, best.fidelity.cube.mean) << "told before is what is written";
        EXPECT_EQ(chosen.fidelity.pictures.worst, best.fidelity.pictures.worst);
    }
}

TEST(ColourMoves, TellWhereALookTakesColours) {
    LutTable inverted;
    for (int i = 0; i < 8; ++i)
        for (int k = 0; k < 3; ++k) inverted.grid.push_back(i >> k & 1 ? 0.0F : 1.0F);
    const std::vector<ColourMove> moves = colourMoves(lutGrade(inverted, "i"), cubeColours(5));
    ASSERT_EQ(moves.size(), 125u);
    EXPECT_EQ(moves[1].before, (std::array{0.25F, 0.0F, 0.0F})) << "red fastest";
    for (const ColourMove& move : moves)
        for (std::size_t k = 0; k < 3; ++k) EXPECT_NEAR(move.after[k], 1 - move.before[k], 1e-5);
    EXPECT_NEAR(moves.front().apart, 100, 0.01) << "black to white";
    for (const ColourMove& still : colourMoves({}, cubeColours(3))) EXPECT_EQ(still.apart, 0);
    // A slice is of one lightness, within sRGB, with grey in its middle.
    for (const double lightness : {0.3, 0.7}) {
        const auto slice = sliceColours(lightness, 21);
        ASSERT_GT(slice.size(), 20u);
        bool hasGrey = false;
        for (const auto& rgb : slice) {
            const Vec3 lab = oklabFromLinear({srgbToLinear(rgb[0]), srgbToLinear(rgb[1]), srgbToLinear(rgb[2])});
            EXPECT_NEAR(lab[0], lightness, 2e-3);
            hasGrey = hasGrey || std::hypot(lab[1], lab[2]) < 1e-3;
        }
        EXPECT_TRUE(hasGrey);
    }
}

TEST(LutKernel, TakesEdgeValuesOutsideItsDomain) {
    Random random(14);
    const LutTable table = randomTable(9, 0, random, 0, 1);
    const Program program = Program::compile(lutGrade(table, "edge"));
    for (int i = 0; i < 50; ++i) {
        std::array<float, 3> in, held;
        for (std::size_t k = 0; k < 3; ++k) {
            in[k] = static_cast<float>(uniform(random, -3, 4));
            held[k] = std::clamp(in[k], 0.0F, 1.0F);
        }
        EXPECT_EQ(program(in), program(held));
    }
}

TEST(LutFile, IsKnownByContentAndNamedInErrors) {
    const TempFolder folder;
    Random random(3);
    const LutTable table = randomTable(5, 0, random, 0, 1);
    writeLutFile(folder / "wrong-name.3dl", table, LutFormat::Cube);
    EXPECT_EQ(readLutFile(folder / "wrong-name.3dl").format, LutFormat::Cube);
    const auto binary = folder.file("picture.cube", std::string("\xff\xd8\xff\xe0\0\0", 6));
    EXPECT_EQ(errorOf([&] { readLutFile(binary); }).file(), binary.string());
}

TEST(LutFile, SurvivesAnyDamage) {
    Random random(4);
    const std::string texts[] = {cubeText(randomTable(3, 4, random)), threeDlText(randomTable(4, 0, random, 0, 1))};
    for (int i = 0; i < 600; ++i) {
        std::string damaged = texts[i % 2];
        for (std::size_t n = random() % 3 + 1; n > 0; --n)
            damaged[random() % damaged.size()] = static_cast<char>(random());
        if (i % 5 == 0) damaged.resize(random() % damaged.size());
        try {
            const ParsedLut lut = i % 2 ? parseThreeDl(damaged) : parseCube(damaged);
            for (const float v : lut.table.grid) EXPECT_TRUE(std::isfinite(v));
        } catch (const Error& e) {
            EXPECT_FALSE(e.problem().empty());
        }
    }
}

TEST(Bake, NodesAreTheLookItself) {
    Grade grade = startingGrade();
    grade.prep[0].parameters["stops"] = 2.0;
    grade.look[0].stages[2].parameters["overall"] = 0.4;
    grade.look[0].stages[1].parameters["shadows.amount"] = 0.5;
    const LutTable table = bakeLook(grade, 9, "t");
    const Program look = Program::compile(grade, {false, true, true, true});
    for (int i = 0; i < 9; i += 2)
        for (int j = 0; j < 9; j += 3) {
            const auto want = look({static_cast<float>(i) / 8, static_cast<float>(j) / 8, 0.5F});
            const std::size_t at = static_cast<std::size_t>(3 * (i + 9 * (j + 9 * 4)));
            for (std::size_t k = 0; k < 3; ++k) EXPECT_EQ(table.grid[at + k], want[k]);
        }
    errorOf([&] { bakeLook(grade, 1, "t"); });
    errorOf([&] { bakeLook(grade, 130, "t"); });
}

TEST(Bake, FidelityIsNoughtForNothingAndGrowsWithCoarseness) {
    const std::vector<Picture> pictures = {paintedPicture(60, 40)};
    EXPECT_LT(measureFidelity(bakeLook(startingGrade(), 5, "i"), startingGrade(), pictures).cube.worst, 1e-3);
    Grade strong = startingGrade();
    strong.look[0].stages[0].parameters["rgb"] = Curve{{0, 0}, {0.3, 0.1}, {0.7, 0.9}, {1, 1}};
    const Fidelity coarse = measureFidelity(bakeLook(strong, 5, "c"), strong, pictures),
                   fine = measureFidelity(bakeLook(strong, 65, "f"), strong, pictures);
    EXPECT_GT(coarse.cube.mean, 4 * fine.cube.mean);
    EXPECT_GT(coarse.pictures.worst, fine.pictures.worst);
    EXPECT_EQ(fine.pictures.samples, 60u * 40u);
}

TEST(Bake, PrepIsInItByChoiceAndMissedElsewhere) {
    Grade grade = startingGrade();
    grade.prep[0].parameters["stops"] = 0.6;
    grade.look[0].stages[0].parameters["rgb"] = Curve{{0, 0.05}, {0.5, 0.6}, {1, 0.95}};
    const TempFolder folder;
    LutExport wanted;
    wanted.size = 25;
    const Picture picture = paintedPicture(60, 40);
    for (const bool withPrep : {false, true}) {
        wanted.withPrep = withPrep;
        for (const NodeWay nodes : {NodeWay::Sampled, NodeWay::Fitted}) {
            wanted.file = folder / "p.cube", wanted.nodes = nodes;
            const LutExportReport report = exportLut(grade, wanted, {picture});
            const LutTable table = readLutFile(wanted.file).table;
            // White lies at the end of either; what a mid grey becomes tells whether Prep is in.
            const Program exact = Program::compile(grade, {withPrep, true, true, true});
            const Program lut = Program::compile(lutGrade(table, "p"));
            EXPECT_NEAR(lut({0.25F, 0.25F, 0.25F})[1], exact({0.25F, 0.25F, 0.25F})[1], 2e-3);
            EXPECT_LT(report.fidelity.pictures.mean, 0.3);
            // The same figures pixel by pixel; against the other kind of LUT they are large.
            const Picture missed = missedOn(picture, table, grade, {.withPrep = withPrep});
            double sum = 0, worst = 0;
            for (int y = 0; y < missed.height(); ++y)
                for (int x = 0; x < missed.width(); ++x)
                    sum += missed.row(0, y)[x], worst = std::max(worst, double(missed.row(0, y)[x]));
            EXPECT_NEAR(sum / (60 * 40), report.fidelity.pictures.mean, 1e-6);
            EXPECT_NEAR(worst, report.fidelity.pictures.worst, 1e-6);
            EXPECT_GT(measureFidelity(table, grade, {picture}, {.withPrep = !withPrep}).pictures.mean, 2);
        }
    }
}

TEST(ByGrid, TellsEachSizeAndFindsTheSmallestThatDoes) {
    Grade strong = startingGrade();
    strong.look[0].stages[0].parameters["rgb"] = Curve{{0, 0}, {0.3, 0.1}, {0.7, 0.9}, {1, 1}};
    const std::vector<Picture> pictures = {paintedPicture(60, 40)};
    for (const LutFormat format : {LutFormat::Cube, LutFormat::ThreeDl}) {
        LutExport wanted;
        wanted.format = format;
        std::vector<int> told;
        const auto sizes = fidelityByGrid(strong, wanted, {9, 17, 33}, pictures, nullptr,
                                          [&](const GridSize& each) { told.push_back(each.size); });
        EXPECT_EQ(told, (std::vector{9, 17, 33}));
        EXPECT_GT(sizes[0].fidelity.cube.percentile99, 2 * sizes[2].fidelity.cube.percentile99);
        const TempFolder folder;
        writeLutFile(folder / "x", bakeLook(strong, 17, wanted.title), format);
        EXPECT_EQ(std::filesystem::file_size(folder / "x"), sizes[1].bytes);
        EXPECT_EQ(readLutFile(folder / "x").table.gridSize(), 17);
        const auto far = [](const GridSize& each) {
            return std::max(each.fidelity.cube.percentile99, each.fidelity.pictures.percentile99);
        };
        EXPECT_EQ(smallestWithin(sizes, far(sizes[1]) + 1e-9), 17);
        EXPECT_EQ(smallestWithin(sizes, far(sizes[1]) - 1e-9), 33);
        EXPECT_EQ(smallestWithin(sizes, far(sizes[2]) / 2), std::nullopt);
    }
    Task task;
    task.cancel();
    EXPECT_THROW(fidelityByGrid(strong, {}, kUsualSizes, pictures, &task), Cancelled);
}

TEST(Accelerated, IsCloseToTheExactProgram) {
    Grade grade = startingGrade();
    grade.prep[0].parameters["stops"] = 0.3;
    grade.look[0].stages[0].parameters["rgb"] = Curve{{0, 0.03}, {0.3, 0.26}, {0.7, 0.74}, {1, 0.97}};
    grade.look[0].stages[1].parameters["shadows.amount"] = 0.2;
    grade.finish[0].parameters["stops"] = -1.0;
    const Picture in = paintedPicture(64, 48);
    const auto apart = [&](const Grade& of) {
        return largestDifference(Accelerator().accelerated(of).graded(in), Program::compile(of).graded(in));
    };
    EXPECT_GT(apart(grade), 0);
    EXPECT_LT(apart(grade), 0.03) << "Finish, which no cube can hold, stays where it was";
    EXPECT_LT(apart(startingGrade()), 1e-5);
    // A stage of the Finish that bakes is not run twice.
    Grade baking = startingGrade();
    baking.finish.push_back(makeStage(baking, "exposure"));
    baking.finish.back().parameters["stops"] = 0.5;
    EXPECT_LT(apart(baking), 0.01);
}

TEST(Accelerated, KeepsCubesAndNeverShowsAnOldOne) {
    Accelerator kept;
    const Picture in = paintedPicture(48, 32);
    Grade grade = startingGrade();
    for (int round = 0; round < 3; ++round) // more than are kept, and back to the first ones
        for (int i = 0; i < 12; ++i) {
            grade.look[0].stages[0].parameters["rgb"] = Curve{{0, 0.01 * i}, {1, 1}};
            EXPECT_EQ(
                largestDifference(kept.accelerated(grade).graded(in), Accelerator().accelerated(grade).graded(in)),
                0);
        }
}

TEST(Judges, OpenColorIoReadsWhatWeWriteAndAgrees) {
    const TempFolder folder;
    Random random(5);
    const Picture in = randomPicture(64, 64, 3);
    const auto ours = [&](const LutTable& table) { return Program::compile(lutGrade(table, "x")).graded(in); };
    for (const int size : {2, 17, 33}) {
        const LutTable table = randomTable(size, 0, random);
        writeLutFile(folder / "a.cube", table, LutFormat::Cube);
        EXPECT_LT(largestDifference(throughOcio(folder / "a.cube", in), ours(readLutFile(folder / "a.cube").table)),
                  1e-4)
            << size;
        ocio::ClearAllCaches();
    }
    const LutTable line = randomTable(0, 1024, random);
    writeLutFile(folder / "b.cube", line, LutFormat::Cube);
    EXPECT_LT(largestDifference(throughOcio(folder / "b.cube", in), ours(line)), 1e-4);
    const LutTable table = randomTable(17, 0, random, 0, 1);
    writeLutFile(folder / "c.3dl", table, LutFormat::ThreeDl);
    EXPECT_LT(largestDifference(throughOcio(folder / "c.3dl", in), ours(readLutFile(folder / "c.3dl").table)), 1e-4);
    const LutTable dark = randomTable(17, 0, random, 0, 0.3);
    writeLutFile(folder / "d.3dl", dark, LutFormat::ThreeDl);
    EXPECT_LT(largestDifference(throughOcio(folder / "d.3dl", in), ours(readLutFile(folder / "d.3dl").table)), 1e-4);
}

TEST(Judges, SquareCubesThatWeLearnFromDoElsewhereWhatTheyDoHere) {
    const TempFolder folder;
    const Preset preset = readPresetFile(demo() / "presets/Limelight.bpreset");
    Grade look;
    look.look = preset.carried.look;
    const Program exact = Program::compile(look);
    const OutputFormat png{FileFormat::Png, 16, 90};
    writePicture(folder / "plain.png", squareCube(8, 16), {}, png);
    writePicture(folder / "cube.png", exact.quantised(readPicture(folder / "plain.png").picture, 16, false), {}, png);
    const LutTable table = learnFromPattern(folder / "cube.png").table;
    const Picture in = readThumbnail(demo() / "pictures/lantern-alley.jpg", kSanitized ? 60 : 300);
    writePicture(folder / "in.png", Program::compile({}).quantised(in, 16, false), {}, png);
    const Picture ours = Program::compile(lutGrade(table, "cube")).graded(readPicture(folder / "in.png").picture);
    const auto at = [&](const char* name) { return (folder / name).string(); };
    // Its filter for such pictures, by what it says of itself: two pictures in, one out.
    const std::string filter = "$(ffmpeg -v quiet -filters | awk '$3 == \"VV->V\" && /CLUT/ { print $2 }')";
    const std::pair<std::string, double> judges[] = {
        {"ffmpeg -v error -y -i " + at("in.png") + " -i " + at("cube.png") +
             " -filter_complex \"[0]format=rgb48le[a];[1]format=rgb48le[b];[a][b]" + filter +
             "=interp=tetrahedral\""
             " -frames:v 1 " +
             at("out.png"),
         1.0 / 255},
        // Between nodes by cubes, not by tetrahedra.
        {"convert " + at("in.png") + " " + at("cube.png") + " -hald-clut -depth 16 PNG48:" + at("out.png"),
         1.5 / 255}};
    for (const auto& [command, most] : judges) {
        fs::remove(folder / "out.png");
        ASSERT_EQ(std::system(command.c_str()), 0) << command;
        EXPECT_LT(largestDifference(readPicture(folder / "out.png").picture, ours), most) << command;
    }
}

TEST(Judges, TheDemoPresetsBakeFaithfully) {
    if (kSanitized) GTEST_SKIP() << "how near they come is measured without them";
    const TempFolder folder;
    for (const auto& entry : fs::directory_iterator(demo() / "presets")) {
        Preset preset = readPresetFile(entry.path());
        preset.carried.finish.clear(); // the Vignette is no function of colour
        requireValid(preset.carried);
        const auto file = folder / "look.cube";
        const LutExportReport report = exportLut(preset.carried, {{}, file, 33, preset.name}, {});
        EXPECT_TRUE(report.leftOut.empty());
        for (const char* name : {"lantern-alley.jpg", "portrait-dark.jpg", "chart-table.jpg"}) {
            const Picture in = readThumbnail(demo() / "pictures" / name, 320);
            const Picture exact = Program::compile(preset.carried).graded(in);
            const Errors judge = deltaE(throughOcio(file, in), exact),
                         second = deltaE(throughFfmpeg(file, in, folder), exact);
            for (const Errors& e : {judge, second}) {
                EXPECT_LT(e.mean, 0.3) << preset.name << ' ' << name;
                EXPECT_LT(e.percentile99, 1) << preset.name << ' ' << name;
            }
            RecordProperty(preset.name + std::string(" worst on ") + name, std::to_string(judge.worst));
        }
        ocio::ClearAllCaches();
    }
}

TEST(Judges, LutsForOtherSpacesDoThereWhatTheLookDoesHere) {
    // As a program that works in those spaces would use the file: numbers in, table by OpenColorIO, numbers out.
    const TempFolder folder;
    const Preset preset = readPresetFile(demo() / "presets/Limelight.bpreset");
    Grade look;
    look.look = preset.carried.look;
    const Picture in = readThumbnail(demo() / "pictures/chart-table.jpg", kSanitized ? 80 : 240);
    const Picture exact = Program::compile(look).graded(in);
    for (const EncodingType& reads : encodings())
        for (const EncodingType& writes : encodings()) {
            if (kSanitized && &reads != &writes) continue;
            const LutSpaces spaces{reads.encoding, writes.encoding};
            const auto file = folder / "spaces.cube";
            const LutExportReport report =
                exportLut(look, {{.spaces = spaces}, file, 33, "Limelight", NodeWay::Sampled}, {in});
            EXPECT_EQ(readLutFile(file).table.title,
                      spaces.isPlain() ? "Limelight" : "Limelight (" + nameOf(spaces) + ")");
            const Errors judge =
                deltaE(toWorking(writes.encoding, throughOcio(file, fromWorking(reads.encoding, in))), exact);
            // Of light that is written, evenly spaced, dark tones are a coarse approximation; that is told.
            const double bound = writes.encoding == Encoding::Linear ? 1.5 : 0.4;
            EXPECT_LT(judge.mean, bound) << nameOf(spaces);
            EXPECT_NEAR(report.fidelity.pictures.mean, judge.mean, 0.02) << nameOf(spaces);
            ocio::ClearAllCaches();
        }
    // Fitted nodes are in the numbers of the spaces, too.
    const LutSpaces log{Encoding::AcesCct, Encoding::Rec2020};
    const ChosenNodes sampled = chosenNodes(look, 17, "", NodeWay::Sampled, {in}, {.spaces = log}),
                      fitted = chosenNodes(look, 17, "", NodeWay::Fitted, {in}, {.spaces = log});
    EXPECT_LT(fitted.fidelity.pictures.mean, sampled.fidelity.pictures.mean);
    EXPECT_LT(fitted.fidelity.cube.mean, sampled.fidelity.cube.mean);
    const Error refused = errorOf([&] {
        exportLut(look,
                  {{LutFormat::ThreeDl, {Encoding::Linear, Encoding::Srgb}}, folder / "a.3dl", 17, "", NodeWay::Best},
                  {});
    });
    EXPECT_NE(refused.problem().find("1D table"), std::string::npos);
}

TEST(LutStage, TrilinearIsWhatOthersCallTrilinear) {
    Random random(41);
    const TempFolder folder;
    const LutTable table = randomTable(9, 0, random);
    writeLutFile(folder / "t.cube", table, LutFormat::Cube);
    Picture in = randomPicture(64, 64, 5);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < 64; ++y)
            for (int x = 0; x < 64; ++x) in.row(k, y)[x] = std::clamp(in.row(k, y)[x], 0.0F, 1.0F);
    Grade grade = lutGrade(table, "t");
    grade.look[0].stages[0].parameters["interpolation"] = std::string("trilinear");
    const Picture ours = Program::compile(grade).graded(in);
    EXPECT_LT(largestDifference(ours, throughOcio(folder / "t.cube", in, ocio::INTERP_LINEAR)), 1e-4);
    EXPECT_GT(largestDifference(ours, throughOcio(folder / "t.cube", in)), 0.01) << "the two ways differ";
}

TEST(LutStage, ReadsAndWritesTheSpacesItSays) {
    // A table that halves its numbers: in the space it works in, whatever that is, halving must be what comes out.
    LutTable half;
    for (int i = 0; i < 8; ++i)
        for (int k = 0; k < 3; ++k) half.grid.push_back(static_cast<float>(i >> k & 1) / 2);
    for (const EncodingType& space : encodings()) {
        Grade grade = lutGrade(half, "half");
        grade.look[0].stages[0].parameters["reads"] = space.id;
        grade.look[0].stages[0].parameters["writes"] = space.id;
        const std::array<float, 3> out = Program::compile(grade)({0.6F, 0.5F, 0.4F});
        Vec3 want =
            toEncodingPrimaries(space.encoding) * Vec3{srgbToLinear(0.6), srgbToLinear(0.5), srgbToLinear(0.4)};
        for (double& v : want) v = decode(space.encoding, encode(space.encoding, v) / 2);
        want = inverse(toEncodingPrimaries(space.encoding)) * want;
        for (std::size_t k = 0; k < 3; ++k) EXPECT_NEAR(out[k], linearToSrgb(want[k]), 2e-5) << space.id;
    }
    // In light, half is a stop less.
    Grade stop = lutGrade(half, "half");
    stop.look[0].stages[0].parameters["reads"] = std::string("linear");
    stop.look[0].stages[0].parameters["writes"] = std::string("linear");
    EXPECT_NEAR(Program::compile(stop)({0.5F, 0.5F, 0.5F})[0], linearToSrgb(srgbToLinear(0.5) / 2), 2e-5);
}

TEST(Cube, UnusualFilesAreRead) {
    const std::string rows = "0 0 0\n1 0 0 # a remark\n0 1 0\n1 1 0\n0 0 1\n1 0 1\n0 1 1\n1 1 1\n";
    const ParsedLut plain = parseCube("TITLE \"Plain\"\nLUT_3D_SIZE 2\nDOMAIN_MAX 1 1 1\n" + rows);
    const ParsedLut unusual = parseCube("title \"Plain\" # said here\n\n  # a remark\nlut_3d_size 2 # per side\n"
                                        "LUT_IN_VIDEO_RANGE\nMade_By somebody with words\nDomain_Max 1 1 1\n" +
                                        rows);
    EXPECT_EQ(unusual.table.grid, plain.table.grid);
    EXPECT_EQ(unusual.table.title, "Plain");
    EXPECT_TRUE(plain.remarks.empty());
    ASSERT_EQ(unusual.remarks.size(), 2u) << "what is passed over is told";
    EXPECT_NE(unusual.remarks[0].find("line 5"), std::string::npos) << unusual.remarks[0];
    EXPECT_NE(unusual.remarks[1].find("MADE_BY"), std::string::npos);
    // A title may hold what looks like a remark.
    EXPECT_EQ(parseCube("TITLE \"No 7\"\nLUT_3D_SIZE 2\n" + rows).table.title, "No 7");
    const Error twice = errorOf([&] { parseCube("LUT_3D_SIZE 2\nLUT_3D_SIZE 2\n" + rows); });
    EXPECT_EQ(twice.place(), "line 2");
    errorOf([&] { parseCube("<html>\nLUT_3D_SIZE 2\n" + rows); });
}

} // namespace baryton::test
