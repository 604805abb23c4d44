// Feeds the parsers what no program would write: seeds with bytes flipped, cut out, doubled and spliced, for as long
// as the clock says. Built with the sanitizers; whatever is not an Error (or a result that is whole) ends the run.
//
//     baryton-fuzz grade|preset|lut|pack|profile|picture|raw SECONDS SEED_FILE…
//     baryton-fuzz arguments SECONDS FILE_OF_WORDS PROGRAM
#include "base/error.h"
#include "base/file.h"
#include "grade/grade_json.h"
#include "lut/clf_file.h"
#include "lut/lut_file.h"
#include "package/archive.h"
#include "package/pack.h"
#include "picture/metadata.h"
#include "picture/picture_file.h"
#include "picture/profile.h"
#include "stages/stage_type.h"
#include "stages/validate.h"
#include "support/temp_folder.h"

#include <chrono>
#include <cmath>
#include <fcntl.h>
#include <functional>
#include <iostream>
#include <map>
#include <memory>
#include <random>
#include <sstream>
#include <sys/wait.h>
#include <unistd.h>

using namespace baryton;

namespace {

using Target = std::function<void(const std::string&)>;

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

void fuzzClf(const std::string& text) {
    const LutTable table = parseClf(text).table;
    for (const auto* values : {&table.grid, &table.shaper})
        for (const float v : *values) require(std::isfinite(v), "a value that is no number");
    require(table.gridSize() > 0 || table.shaperSize() > 0, "a table that is empty");
}

void fuzzPack(const std::string& bytes) {
    for (const ArchiveFile& file : readZip(bytes, {100, 1 << 20, 1 << 22})) {
        require(file.path.find("..") != 0 && file.path[0] != '/', "a path that leads out");
        if (file.path == "pack.json") packContentsFromText(file.bytes);
    }
}

void requireFinite(const Picture& picture) {
    for (int plane = 0; plane < (picture.hasAlpha() ? 4 : 3); ++plane)
        for (int y = 0; y < picture.height(); ++y)
            for (int x = 0; x < picture.width(); ++x)
                require(std::isfinite(picture.row(plane, y)[x]), "a pixel that is no number");
}

void fuzzProfile(const std::string& icc) {
    profileKind(icc);
    const int channels = profileChannels(icc);
    Picture picture(8, 2), black(8, 2);
    ProfileConversion(icc, channels == 0 ? 3 : channels)(picture, &black);
}

/// In a folder of its own, as a file: so the libraries read it.
void fuzzFile(const std::string& bytes, const char* name) {
    static const test::TempFolder folder;
    const std::string file = (folder / name).string();
    std::FILE* out = std::fopen(file.c_str(), "wb");
    require(out && std::fwrite(bytes.data(), 1, bytes.size(), out) == bytes.size(), "the picture can't be put down");
    std::fclose(out);
    readMetadata(file);
    requireFinite(readPicture(file).picture);
}
void fuzzPicture(const std::string& bytes) {
    fuzzFile(bytes, "picture");
}
void fuzzRaw(const std::string& bytes) {
    fuzzFile(bytes, "picture.dng"); // known by its name
}

/// The program itself, with words in any order: it must end by itself with a code of its own.
class FuzzArguments {
public:
    FuzzArguments(const std::string& words, const std::string& program)
        : program_(std::filesystem::absolute(program).string()) {
        std::istringstream lines(words);
        for (std::string line; std::getline(lines, line);) words_.push_back(line);
    }
    void operator()(const std::string& noise) const {
        std::mt19937 random(static_cast<unsigned>(std::hash<std::string>()(noise)));
        std::vector<std::string> chosen{program_};
        for (unsigned n = random() % 7; n > 0; --n) {
            std::string word = words_[random() % words_.size()];
            if (random() % 5 == 0) word = noise.substr(0, random() % 40);
            chosen.push_back(word.substr(0, word.find('\0')));
        }
        std::vector<char*> arguments;
        for (std::string& word : chosen) arguments.push_back(word.data());
        arguments.push_back(nullptr);
        const pid_t child = ::fork();
        if (child == 0) {
            const int nowhere = ::open("/dev/null", O_RDWR);
            for (const int fd : {0, 1, 2}) ::dup2(nowhere, fd);
            // What it writes goes into a folder of its own, the user's library too.
            const std::string own = folder_->path().string();
            ::setenv("HOME", own.c_str(), 1);
            ::setenv("XDG_DATA_HOME", own.c_str(), 1);
            if (::chdir(own.c_str()) != 0) ::_exit(3);
            ::alarm(60);
            ::execv(arguments[0], arguments.data());
            ::_exit(3);
        }
        int status = 0;
        ::waitpid(child, &status, 0);
        if (WIFEXITED(status) && WEXITSTATUS(status) <= 2) return;
        for (const std::string& word : chosen) std::cerr << word << '\n';
        require(false, "the program fell over");
    }

private:
    std::string program_;
    std::vector<std::string> words_;
    std::shared_ptr<const test::TempFolder> folder_ = std::make_shared<test::TempFolder>();
};

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
        std::cerr << "usage: baryton-fuzz TARGET SECONDS SEED_FILE…\n";
        return 2;
    }
    const std::string name = argv[1];
    const std::map<std::string, Target> targets = {
        {"grade", fuzzGrade}, {"preset", fuzzPreset},   {"lut", fuzzLut},         {"clf", fuzzClf},
        {"pack", fuzzPack},   {"profile", fuzzProfile}, {"picture", fuzzPicture}, {"raw", fuzzRaw}};
    if (name == "arguments" && argc != 5) return 2;
    if (name != "arguments" && !targets.contains(name)) return 2;
    const Target target = name == "arguments" ? FuzzArguments(readFile(argv[3]), argv[4]) : targets.at(name);
    if (name == "arguments") --argc; // the program is no seed
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
