#include "base/utf8.h"
#include "cli/look_files.h"
#include "lut/learn_pair.h"
#include "lut/learn_pattern.h"
#include "lut/look_as_stages.h"

#include <iostream>
#include <memory>

namespace baryton {

namespace {

namespace fs = std::filesystem;

/// What a look is learned from: a pattern that came back, or pictures before and after it.
struct LearnFrom {
    std::string pattern;
    std::vector<std::string> before, after;

    void requireOne() const {
        if (before.size() != after.size())
            throw WrongUsage("--before", "", "each picture before needs one after", "name as many of both");
        if (pattern.empty() == before.empty())
            throw WrongUsage("--pattern", "", "it is learned either from a pattern or from pictures before and after",
                             "name one of them");
    }
    void addTo(InputSet& inputs) const {
        if (!pattern.empty()) inputs.add(pattern);
        for (const auto* files : {&before, &after})
            for (const std::string& file : *files) inputs.add(file);
    }
    std::string whence() const {
        return pattern.empty() ? "“" + fs::path(before[0]).filename().string() + "” and “" +
                                     fs::path(after[0]).filename().string() + "”"
                               : "“" + fs::path(pattern).filename().string() + "”";
    }
};

void addLearnFrom(CLI::App& command, LearnFrom& from) {
    command.add_option("--pattern", from.pattern, "The pattern that came back")->type_name("FILE");
    command.add_option("--before", from.before, "A picture; several, each with one after, are learned from together")
        ->type_name("FILE");
    command.add_option("--after", from.after, "What a grade made of it")->type_name("FILE");
}

Json accountOf(const PatternAccount& a) {
    Json account = {{"nodes", a.size}, {"remarks", a.remarks}};
    if (!a.isSquareCube)
        account.update({{"scale", {a.scaleX, a.scaleY}},
                        {"turn", a.turn},
                        {"lost", a.lost},
                        {"halfLost", a.halfLost},
                        {"disagreeing", a.disagreeing},
                        {"disagreement", a.disagreement},
                        {"noise", a.noise},
                        {"cornerStops", a.cornerStops}});
    return account;
}

LearntLut fromPattern(const LearnFrom& from) {
    LearntLut learnt = learnFromPattern(fs::path(from.pattern));
    for (const auto& remark : learnt.account.remarks) std::cerr << from.pattern << ": note: " << remark << '\n';
    return learnt;
}

LearntFromPairs fromPairs(const LearnFrom& from, int size) {
    std::size_t read = 0;
    const auto pairAt = [&](std::size_t i) {
        read = i;
        return PicturePair{readPicture(from.before[i]).picture, readPicture(from.after[i]).picture};
    };
    LearntFromPairs learnt;
    try {
        learnt = learnFromPairs(from.before.size(), pairAt, size);
    } catch (const Error& e) {
        throw e.file().empty() ? e.inFile(from.after[read]) : e;
    }
    for (std::size_t i = 0; i < from.after.size(); ++i)
        for (const auto& remark : learnt.pairs[i].remarks) std::cerr << from.after[i] << ": note: " << remark << '\n';
    return learnt;
}

Json accountOf(const LearntFromPairs& learnt) {
    Json pairs = Json::array();
    for (const PairAccount& a : learnt.pairs)
        pairs.push_back({{"scale", a.place.scale()},
                         {"turn", a.place.turn()},
                         {"overlap", a.overlap},
                         {"cornerStops", a.cornerStops},
                         {"leftOut", a.leftOut},
                         {"remarks", a.remarks}});
    double seen = 0;
    for (const float c : learnt.confidence) seen += c;
    return {{"heldBackDeltaE2000", jsonOf(learnt.heldBack)},
            {"confidence", seen / double(learnt.confidence.size())},
            {"pairs", pairs}};
}

int learn(const LearnFrom& from, const LutOutput& output) {
    from.requireOne();
    InputSet inputs;
    from.addTo(inputs);
    requireLutOutput(output, inputs); // not after the seconds that it takes to learn
    if (!from.pattern.empty()) {
        const LearntLut learnt = fromPattern(from);
        return writeTable(learnt.table, output, inputs, {{"pattern", accountOf(learnt.account)}});
    }
    const LearntFromPairs learnt = fromPairs(from, output.size.value_or(33));
    return writeTable(learnt.table, output, inputs, {{"learned", accountOf(learnt)}});
}

struct StagesOptions {
    LearnFrom from;
    std::string look, out, name;
    std::vector<std::string> pictures;
    bool withRest = false;
};

int toStages(const StagesOptions& options) {
    if (options.look.empty() == (options.from.pattern.empty() && options.from.before.empty()))
        throw WrongUsage(options.look, "", "the look is either that of a file or one that is learned",
                         "name a LUT, a pattern, or pictures before and after");
    if (options.look.empty()) options.from.requireOne();
    if (fs::path(options.out).extension() != ".bpreset")
        throw WrongUsage(options.out, "", "the name does not end in .bpreset", "add it");
    InputSet inputs;
    options.from.addTo(inputs);
    for (const std::string& file : options.pictures) inputs.add(file);
    if (!options.look.empty()) inputs.add(options.look);
    checkUsage([&] { requireOutput(options.out, inputs, isPresetFile, "a preset"); });
    LookAsStages found;
    Json account = {{"file", asUtf8(options.out)}};
    const std::string whence = options.from.before.empty() && options.from.pattern.empty()
                                   ? "“" + fs::path(options.look).filename().string() + "”"
                                   : options.from.whence();
    std::vector<Picture> pictures;
    for (const std::string& file : options.pictures) {
        constexpr int enough = 700;
        pictures.push_back(readThumbnail(file, enough));
    }
    if (!options.from.before.empty()) {
        const LearntFromPairs learnt = fromPairs(options.from, 33);
        found = behindStages(learnt.stages, lutGrade(learnt.table, "LUT"), pictures);
        account["learned"] = accountOf(learnt);
    } else {
        const Grade look =
            options.look.empty() ? lutGrade(fromPattern(options.from).table, "LUT") : lookOf(options.look).carried;
        for (const auto& name : leftOutOfLut(look))
            std::cerr << options.look << ": left out: " << name << " is not a function of colour alone\n";
        found = lookAsStages(look, pictures);
    }
    const std::string name = options.name.empty() ? fs::path(options.out).stem().string() : options.name;
    writePresetFile(options.out, presetOf(found, options.withRest, name, whence));
    Json types = Json::array();
    for (const Stage& stage : found.stages) types.push_back(stage.type);
    account["stages"] = types;
    account["deltaE2000"] = jsonOf(found.apart.cube);
    if (!pictures.empty()) account["picturesDeltaE2000"] = jsonOf(found.apart.pictures);
    if (found.withRest) {
        account["withRestDeltaE2000"] = jsonOf(found.withRest->cube);
        if (!pictures.empty()) account["picturesWithRestDeltaE2000"] = jsonOf(found.withRest->pictures);
    } else if (options.withRest) {
        std::cerr << options.out << ": note: a LUT behind the stages would come no nearer: there is none\n";
    }
    std::cout << account.dump() << '\n';
    return kAllDone;
}

} // namespace

void addLutLearning(CLI::App& lut, int& code) {
    auto from = std::make_shared<LearnFrom>();
    auto output = std::make_shared<LutOutput>();
    auto* learnCommand = lut.add_subcommand(
        "learn", "Make a LUT of a pattern that was graded elsewhere, or of pictures before and after a grade, and "
                 "tell what else was done to them");
    addLearnFrom(*learnCommand, *from);
    addLutOutput(*learnCommand, *output);
    learnCommand->callback([from, output, &code] { code = learn(*from, *output); });

    auto options = std::make_shared<StagesOptions>();
    auto* stages = lut.add_subcommand(
        "stages", "Turn a LUT, a graded pattern, or pictures before and after into a preset of stages that can be "
                  "changed; prints how near they come");
    stages->add_option("file", options->look, "A .cube, .3dl or .clf file, a picture that is one, or a preset")
        ->type_name("FILE");
    addLearnFrom(*stages, options->from);
    stages->add_option("--on", options->pictures, "Pictures whose colours count, and to measure on")
        ->type_name("PICTURE");
    stages->add_flag("--rest", options->withRest, "Put what the stages leave behind them, as a LUT stage");
    stages->add_option("--name", options->name, "The preset's name; default: the file's");
    stages->add_option("-o,--output", options->out, "The preset to write, .bpreset")->required()->type_name("FILE");
    stages->callback([options, &code] { code = toStages(*options); });
}

} // namespace baryton
