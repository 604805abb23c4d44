// Feeds the parsers what no program would write: seeds with bytes flipped, cut out, doubled and spliced, for as long
// as the clock says. Built with the sanitizers; whatever is not an Error (or a result that is whole) ends the run.
//
//     baryton-fuzz grade|preset|lut SECONDS SEED_FILE…
#include "base/error.h"
#include "base/file.h"
#include "grade/grade_json.h"
#include "lut/lut_file.h"
#include "stages/stage_type.h"
#include "stages/validate.h"

#include <chrono>
#include <cmath>
#include <iostream>
#include <random>

using namespace baryton;

namespace {

using Target = void (*)(const std::string&);

void require(bool holds, const char* what) {
    if (holds) return;
    std::cerr << "fuzz: " << what << '\n';
    std::abort();
}

void fuzzGrade(const std::string& text) {
    const Grade grade = gradeFromText(text);
    const Grade held = repaired(grade);
    for (const Error& problem : validate(held)) require(!problem.problem().empty(), "a problem without words");
    require(gradeFromText(gradeToText(grade)) == grade, "a grade is not read back as it was written");
}

void fuzzPreset(const std::string& text) {
    const Preset preset = presetFromText(text);
    require(presetFromText(presetToText(preset)) == preset, "a preset is not read back as it was written");
    applied(startingGrade(), preset, ApplyMode::Set);
    applied(startingGrade(), preset, ApplyMode::AddAbove);
}

void fuzzLut(const std::string& text) {
    for (const auto parse : {parseCube, parseThreeDl}) {
        try {
            const LutTable table = parse(text).table;
            for (const float v : table.grid) require(std::isfinite(v), "a node that is no number");
            for (const float v : table.shaper) require(std::isfinite(v), "an entry that is no number");
            require(table.gridSize() > 0 || table.shaperSize() > 0, "a table that is empty");
        } catch (const Error&) {
            // refused, as it should be
        }
    }
}

std::string mutated(const std::vector<std::string>& seeds, std::mt19937& random) {
    std::string text = seeds[random() % seeds.size()];
    static const char* words[] = {"{",    "}",   "[",    "]",         "\"", "-", "1e999", "null", "LUT_3D_SIZE 256",
                                  "Mesh", "nan", "\xff", "9999999999"};
    for (std::size_t n = 1 + random() % 6; n > 0; --n) {
        if (text.empty()) text = "x";
        const std::size_t at = random() % text.size(), length = 1 + random() % 32;
        switch (random() % 6) {
        case 0:
            text[at] = static_cast<char>(random());
            break;
        case 1:
            text.erase(at, length);
            break;
        case 2:
            text.insert(at, text.substr(random() % text.size(), length));
            break;
        case 3:
            text.insert(at, words[random() % std::size(words)]);
            break;
        case 4:
            text.resize(at);
            break;
        default: {
            const std::string& other = seeds[random() % seeds.size()];
            text = text.substr(0, at) +
                   other.substr(std::min(other.size(), static_cast<std::size_t>(random() % (other.size() + 1))));
        }
        }
    }
    return text;
}

} // namespace

int main(int argc, char** argv) {
    if (argc < 4) {
        std::cerr << "usage: baryton-fuzz grade|preset|lut SECONDS SEED_FILE…\n";
        return 2;
    }
    const std::string name = argv[1];
    const Target target = name == "grade" ? fuzzGrade : name == "preset" ? fuzzPreset : fuzzLut;
    std::vector<std::string> seeds;
    for (int i = 3; i < argc; ++i) {
        seeds.push_back(readFile(argv[i]));
        if (name == "grade") { // a preset says the same in other words
            if (const auto at = seeds.back().find("baryton-preset"); at != std::string::npos)
                seeds.back().replace(at, 14, "baryton-grade");
        }
    }
    std::random_device device;
    const unsigned seed = device();
    std::mt19937 random(seed);
    const auto end = std::chrono::steady_clock::now() + std::chrono::seconds(std::stoi(argv[2]));
    std::size_t runs = 0, refused = 0;
    std::string text;
    try {
        while (std::chrono::steady_clock::now() < end) {
            text = mutated(seeds, random);
            ++runs;
            try {
                target(text);
            } catch (const Error& e) {
                ++refused;
                require(!e.problem().empty() && !e.hint().empty(), "an error that says nothing");
            }
        }
    } catch (const std::exception& e) {
        std::cerr << "fuzz: " << e.what() << " (seed " << seed << "), input:\n" << text << '\n';
        return 1;
    }
    std::cout << name << ": " << runs << " inputs, " << refused << " refused, none got through broken\n";
    return 0;
}
