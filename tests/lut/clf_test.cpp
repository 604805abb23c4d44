// The Common LUT Format, with OpenColorIO itself as the judge of what the plug reads and writes.
#include "cli/run_cli.h"
#include "lut/bake.h"
#include "lut/clf_file.h"
#include "render/program.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/sanitized.h"
#include "support/temp_folder.h"

#include <OpenColorIO/OpenColorIO.h>
#include <algorithm>
#include <sstream>

namespace baryton::test {

namespace fs = std::filesystem;
namespace ocio = OCIO_NAMESPACE;

namespace {

using Colour = std::array<float, 3>;

/// A table of both kinds, with domains beside 0…1.
LutTable bentTable(int size) {
    LutTable table;
    table.title = "Bent";
    for (int i = 0; i < 50; ++i)
        for (const double power : {0.6, 1.0, 1.7})
            table.shaper.push_back(static_cast<float>(std::pow(i / 49.0, power)));
    table.shaperMin = {-0.25F, -0.5F, 0}, table.shaperMax = {1.5F, 2, 1};
    for (int b = 0; b < size; ++b)
        for (int g = 0; g < size; ++g)
            for (int r = 0; r < size; ++r)
                for (const double v : {0.9 * r + 0.1 * g, double(g), 0.8 * b - 0.1 * r})
                    table.grid.push_back(static_cast<float>(v / (size - 1)));
    return table;
}

std::vector<Colour> someColours() {
    Random random(20261202);
    std::vector<Colour> all;
    for (int i = 0; i < 400; ++i) {
        Colour& colour = all.emplace_back();
        for (float& v : colour) v = static_cast<float>(uniform(random, -0.3, 1.6));
    }
    return all;
}

/// The colours through the steps as OpenColorIO does them.
std::vector<Colour> byOcio(const ocio::ConstTransformRcPtr& steps) {
    std::vector<Colour> colours = someColours();
    const auto cpu = ocio::Config::CreateRaw()->getProcessor(steps)->getOptimizedCPUProcessor(
        ocio::BIT_DEPTH_F32, ocio::BIT_DEPTH_F32, ocio::OPTIMIZATION_LOSSLESS);
    for (Colour& colour : colours) cpu->applyRGB(colour.data());
    return colours;
}

ocio::ConstTransformRcPtr stepsIn(const fs::path& file) {
    auto transform = ocio::FileTransform::Create();
    transform->setSrc(file.c_str());
    transform->setInterpolation(ocio::INTERP_TETRAHEDRAL);
    return transform;
}

double farthest(const LutTable& table, const std::vector<Colour>& wanted, double low = -1, double high = 2) {
    const Program ours = Program::compile(lutGrade(table, "t"));
    const std::vector<Colour> colours = someColours();
    double most = 0;
    for (std::size_t i = 0; i < colours.size(); ++i) {
        if (*std::min_element(colours[i].begin(), colours[i].end()) < low ||
            *std::max_element(colours[i].begin(), colours[i].end()) > high)
            continue;
        const Colour made = ours(colours[i]);
        for (std::size_t k = 0; k < 3; ++k) most = std::max(most, double(std::abs(made[k] - wanted[i][k])));
    }
    return most;
}

std::string textOf(const ocio::GroupTransformRcPtr& group) {
    group->getFormatMetadata().addAttribute(ocio::METADATA_ID, "steps");
    std::ostringstream text;
    group->write(ocio::Config::CreateRaw(), "Academy/ASC Common LUT Format", text);
    return text.str();
}

} // namespace

TEST(Clf, WhatIsWrittenIsReadAgainAndByOpenColorIoToo) {
    ASSERT_TRUE(hasClf());
    const TempFolder folder;
    std::vector<LutTable> tables;
    for (const int size : {2, 9, kSanitized ? 17 : 65}) {
        tables.push_back(bentTable(size));
        tables.push_back(tables.back());
        tables.back().shaper.clear();
        tables.back().shaperMin = {0, 0, 0}, tables.back().shaperMax = {1, 1, 1};
    }
    tables.push_back(bentTable(5));
    tables.back().grid.clear();
    for (std::size_t i = 0; i < tables.size(); ++i) {
        const LutTable& table = tables[i];
        const fs::path file = folder / (std::to_string(i) + ".clf");
        writeLutFile(file, table, LutFormat::Clf);
        const ParsedLut back = readLutFile(file);
        EXPECT_EQ(back.format, LutFormat::Clf);
        EXPECT_EQ(back.table.title, "Bent");
        EXPECT_TRUE(back.remarks.empty());
        ASSERT_EQ(back.table.shaper.size(), table.shaper.size());
        ASSERT_EQ(back.table.grid.size(), table.grid.size());
        for (std::size_t k = 0; k < table.shaper.size(); ++k)
            ASSERT_NEAR(back.table.shaper[k], table.shaper[k], 1e-6);
        for (std::size_t k = 0; k < table.grid.size(); ++k) ASSERT_NEAR(back.table.grid[k], table.grid[k], 1e-6);
        for (std::size_t k = 0; k < 3; ++k) {
            EXPECT_NEAR(back.table.shaperMin[k], table.shaperMin[k], 1e-6);
            EXPECT_NEAR(back.table.shaperMax[k], table.shaperMax[k], 1e-6);
        }
        EXPECT_LT(farthest(table, byOcio(stepsIn(file))), 1e-4) << i;
    }
    const std::string told = clfText(bentTable(3), {Encoding::Linear, Encoding::Srgb});
    EXPECT_NE(told.find("<Description>"), std::string::npos);
    EXPECT_FALSE(errorOf([] { clfText(bentTable(130)); }).problem().empty());
}

TEST(Clf, OtherStepsComeAsWhatTheyDo) {
    const auto read = [](const ocio::GroupTransformRcPtr& group) { return parseClf(textOf(group)); };
    // Slope, offset, power and saturation: channels act on one another.
    auto slope = ocio::CDLTransform::Create();
    const double slopes[] = {1.1, 0.95, 0.8}, offsets[] = {0.02, 0, -0.01}, powers[] = {1.1, 1, 0.9};
    slope->setSlope(slopes), slope->setOffset(offsets), slope->setPower(powers), slope->setSat(0.8);
    auto mixed = ocio::GroupTransform::Create();
    mixed->appendTransform(slope);
    const ParsedLut grid = read(mixed);
    EXPECT_EQ(grid.table.gridSize(), 65);
    ASSERT_EQ(grid.remarks.size(), 1u);
    EXPECT_LT(farthest(grid.table, byOcio(mixed), 0, 1), 4e-3) << "powers bend between nodes";
    // Without saturation each channel stays by itself.
    auto alone = slope->createEditableCopy();
    std::dynamic_pointer_cast<ocio::CDLTransform>(alone)->setSat(1);
    auto tones = ocio::GroupTransform::Create();
    tones->appendTransform(alone);
    const ParsedLut line = read(tones);
    EXPECT_EQ(line.table.shaperSize(), 4096u);
    EXPECT_TRUE(line.table.grid.empty());
    EXPECT_LT(farthest(line.table, byOcio(tones), 0, 1), 1e-4);
    // A range ahead of a table holds what is beyond it.
    auto range = ocio::RangeTransform::Create();
    range->setMinInValue(0.1), range->setMaxInValue(0.9), range->setMinOutValue(0.2), range->setMaxOutValue(0.7);
    auto lut = ocio::Lut1DTransform::Create(256, false);
    for (unsigned long at = 0; at < 256; ++at) lut->setValue(at, float(at * at) / 65025, float(at) / 255, 0.5F);
    auto held = ocio::GroupTransform::Create();
    held->appendTransform(range), held->appendTransform(lut);
    EXPECT_LT(farthest(read(held).table, byOcio(held), -1, 2), 1e-3);
    // What OpenColorIO leaves out is told.
    std::string odd = clfText(bentTable(3));
    odd.replace(odd.find("</ProcessList>"), 0, "<Sparkle inBitDepth=\"32f\" outBitDepth=\"32f\"/>");
    const ParsedLut told = parseClf(odd);
    ASSERT_EQ(told.remarks.size(), 1u);
    EXPECT_NE(told.remarks[0].find("Sparkle"), std::string::npos);
    EXPECT_EQ(told.remarks[0].find("/tmp"), std::string::npos);
}

TEST(Clf, DamagedAndCunningFilesAreRefused) {
    const std::string good = clfText(bentTable(3));
    ASSERT_FALSE(parseClf(good).table.grid.empty());
    const auto with = [&](const std::string& what, const std::string& by) {
        std::string text = good;
        text.replace(text.find(what), what.size(), by);
        return text;
    };
    for (const std::string& text :
         {with("<ProcessList", "<!DOCTYPE a [<!ENTITY b \"bbbb\">]>\n<ProcessList"),
          with("<LUT3D", "<Reference path=\"/etc/passwd\" inBitDepth=\"32f\" outBitDepth=\"32f\"/><LUT3D"),
          with("3 3 3 3", "129 129 129 3"), with("3 3 3 3", "999999 999999 999999 3"), with("50 3", "2000000000 3"),
          with("</ProcessList>", ""), good.substr(0, good.size() / 2),
          std::string("<ProcessList compCLFversion=\"3\" id=\"a\"></ProcessList>")}) {
        const Error e = errorOf([&] { parseLut(text); });
        EXPECT_EQ(e.what() == std::string(), false);
        EXPECT_EQ(std::string(e.what()).find("/tmp"), std::string::npos) << "people know another name: " << e.what();
    }
    Random random(77);
    int refused = 0;
    for (int i = 0; i < roundsOf(300); ++i) {
        std::string text = good;
        for (int k = 0; k < 1 + i % 4; ++k) text[random() % text.size()] = static_cast<char>(32 + random() % 95);
        if (i % 3 == 0) text.resize(random() % text.size());
        try {
            parseLut(text);
        } catch (const Error& e) {
            EXPECT_FALSE(e.hint().empty());
            ++refused;
        }
    }
    EXPECT_GT(refused, roundsOf(300) / 3);
}

TEST(Clf, TheCommandLineConvertsAndRunsWithoutThePlug) {
    const TempFolder folder;
    const auto at = [&](const char* name) { return quoted(folder / name); };
    writeLutFile(folder / "a.cube", bentTable(5), LutFormat::Cube);
    for (const char* way : {"a.cube -o b.clf", "b.clf -o c.cube", "b.clf -o d.3dl"}) {
        std::istringstream words(way);
        std::string from, option, to;
        words >> from >> option >> to;
        const Result result = run("lut convert " + at(from.c_str()) + " -o " + at(to.c_str()), folder);
        EXPECT_EQ(result.code, 0) << result.err;
    }
    const LutTable a = readLutFile(folder / "a.cube").table, c = readLutFile(folder / "c.cube").table;
    for (std::size_t i = 0; i < a.grid.size(); ++i) EXPECT_NEAR(a.grid[i], c.grid[i], 1e-6);
    EXPECT_EQ(a.shaper.size(), c.shaper.size());
    // The same program where the plug is not beside it.
    fs::create_directory(folder / "alone");
    fs::copy_file(BARYTON_CLI, folder / "alone/baryton-cli");
    const auto alone = [&](const std::string& arguments) {
        const std::string command = quoted(folder / "alone/baryton-cli") + " " + arguments + " 2>" + at("told");
        const int status = std::system(command.c_str());
        return WEXITSTATUS(status);
    };
    EXPECT_EQ(alone("lut info " + at("a.cube") + " >/dev/null"), 0);
    EXPECT_NE(alone("lut info " + at("b.clf") + " >/dev/null"), 0);
    EXPECT_NE(readFile(folder / "told").find("baryton-clf"), std::string::npos) << readFile(folder / "told");
}

} // namespace baryton::test
