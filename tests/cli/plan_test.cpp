// Plans through the real program: written, run in parts, killed, gone on with.
#include "batch/journal.h"
#include "cli/run_cli.h"
#include "edits/framed_masks.h"
#include "grade/grade_json.h"
#include "grade/json.h"
#include "package/grade_store.h"
#include "picture/instruction_set.h"
#include "picture/picture_file.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/sanitized.h"
#include "survey/match.h"

#include <csignal>
#include <fstream>
#include <gtest/gtest.h>
#include <spawn.h>
#include <thread>

extern char** environ; // NOLINT: as POSIX has it

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

/// Six small pictures, a preset, and a plan over them.
class PlannedSet {
public:
    explicit PlannedSet(const std::string& options = "") {
        for (unsigned i = 0; i < 6; ++i) {
            const Picture picture = paintedPicture(220, 150 + static_cast<int>(i));
            QuantisedPicture quantised(picture.width(), picture.height(), 3, 8);
            for (int y = 0; y < picture.height(); ++y)
                quantised.setRow(y, 0, picture.width(), picture.row(0, y), picture.row(1, y), picture.row(2, y),
                                 nullptr);
            writePicture(folder / ("in/heron-" + std::to_string(i) + ".png"), quantised, {},
                         {FileFormat::Png, 8, 90});
        }
        writeFileAtomically(folder / "dim.bpreset", presetToText(exposurePreset("Dim", -0.5)));
        const Result made =
            run("plan new --preset " + quoted(folder / "dim.bpreset") + " --out " + quoted(folder / "out") +
                    " --format png " + options + " " + quoted(folder / "in") + " -o " + plan(),
                folder);
        EXPECT_EQ(made.code, 0) << made.err;
    }
    std::string plan() const { return quoted(folder / "season.bplan"); }
    Result batch(const std::string& options = "") const { return run("batch " + plan() + " " + options, folder); }
    /// What lies in the output folder, by name: hashes of pictures, nothing of journals and reports.
    std::map<std::string, std::string> out() const {
        std::map<std::string, std::string> files;
        std::error_code ignored;
        for (const auto& entry : fs::directory_iterator(folder / "out", ignored)) {
            const std::string name = entry.path().filename().string();
            const bool isAccount =
                name.find("-journal") != std::string::npos || name.find("-report") != std::string::npos;
            if (!isAccount) files[name] = fileHash(entry.path());
        }
        return files;
    }
    /// Runs it, and kills it after a while; true when it came to its end before.
    bool isDoneWithin(double milliseconds) const {
        std::vector<std::string> words = {BARYTON_CLI, "batch", (folder / "season.bplan").string(), "--resume",
                                          "--quiet"};
        std::vector<char*> arguments;
        for (std::string& word : words) arguments.push_back(word.data());
        arguments.push_back(nullptr);
        pid_t child = 0;
        EXPECT_EQ(::posix_spawn(&child, BARYTON_CLI, nullptr, nullptr, arguments.data(), environ), 0);
        std::this_thread::sleep_for(std::chrono::duration<double, std::milli>(milliseconds));
        ::kill(child, SIGKILL);
        int status = 0;
        ::waitpid(child, &status, 0);
        if (WIFEXITED(status)) EXPECT_EQ(WEXITSTATUS(status), 0);
        return WIFEXITED(status);
    }

    TempFolder folder;
};

} // namespace

TEST(PlanCommand, IsWrittenShownAndRunAsApplyDoes) {
    const PlannedSet set;
    EXPECT_EQ(run("plan validate " + set.plan(), set.folder).code, 0);
    EXPECT_NE(run("plan show " + set.plan(), set.folder).out.find("heron-3-dim.png"), std::string::npos);
    const Result batch = set.batch();
    EXPECT_EQ(batch.code, 0) << batch.err;
    const Result apply = run("apply --preset " + quoted(set.folder / "dim.bpreset") + " --out " +
                                 quoted(set.folder / "applied") + " --format png " + quoted(set.folder / "in"),
                             set.folder);
    EXPECT_EQ(apply.code, 0) << apply.err;
    const auto made = set.out();
    ASSERT_EQ(made.size(), 6U);
    for (const auto& [name, hash] : made) EXPECT_EQ(fileHash(set.folder / "applied" / name), hash) << name;
    EXPECT_TRUE(isReport(set.folder / "out/season-report.json"));
    EXPECT_EQ(run("plan merge " + set.plan(), set.folder).code, 0);
    // Once more, without going on: other names, as `--exists` says.
    EXPECT_EQ(set.batch().code, 0);
    EXPECT_EQ(set.out().size(), 12U);
}

TEST(PlanCommand, KilledAtAnyMomentItGoesOnToWhatItWouldHaveMade) {
    const PlannedSet whole;
    const auto start = std::chrono::steady_clock::now();
    EXPECT_EQ(whole.batch().code, 0);
    const double undisturbed =
        std::chrono::duration<double, std::milli>(std::chrono::steady_clock::now() - start).count();
    const auto wanted = whole.out();
    // With the sources' names taken by strangers, some results have numbers.
    PlannedSet set;
    Random random(7);
    int kills = 0;
    for (int round = 0; round < roundsOf(16); ++round) {
        fs::remove_all(set.folder / "out");
        fs::create_directories(set.folder / "out");
        const bool isTaken = round % 2 == 1;
        if (isTaken) writeFileAtomically(set.folder / "out/heron-2-dim.png", "a stranger's");
        // Later each time, so that it comes to its end however slow the machine is just now.
        double longest = 0.7 * undisturbed;
        for (; !set.isDoneWithin(uniform(random, 5, longest)); longest *= 1.15) ++kills;
        auto made = set.out();
        if (isTaken) {
            ASSERT_EQ(made["heron-2-dim.png"], contentHash("a stranger's"));
            made["heron-2-dim.png"] = made["heron-2-dim-2.png"];
            made.erase("heron-2-dim-2.png");
        }
        ASSERT_EQ(made, wanted) << round;
    }
    EXPECT_GE(kills, roundsOf(16) / 2) << "most rounds meet one, whatever the machine's speed";
}

TEST(PlanCommand, GoesOnWithWhatIsLeftAndSaysWhatItMakesAgain) {
    const PlannedSet set;
    ASSERT_EQ(set.batch("--part 1/2").code, 0);
    const std::size_t first = set.out().size();
    EXPECT_GT(first, 0U);
    EXPECT_LT(first, 6U);
    const Result missing = run("plan merge --json " + set.plan(), set.folder);
    EXPECT_EQ(missing.code, 1);
    EXPECT_EQ(Json::parse(missing.out)["missing"], 6 - first);
    ASSERT_EQ(set.batch("--part 2/2").code, 0);
    EXPECT_EQ(run("plan merge " + set.plan(), set.folder).code, 0);
    const auto made = set.out();
    EXPECT_EQ(made.size(), 6U);

    // A part that is run again makes nothing twice. One file was deleted, one picture graded otherwise since; one
    // file was written over by somebody, which is theirs now.
    fs::remove(set.folder / "out/heron-0-dim.png");
    writeFileAtomically(set.folder / "out/heron-1-dim.png", "somebody's");
    storeGrade(set.folder / "in/heron-5.png", withPrepLight(startingGrade(), {0, 4500}));
    std::string told;
    for (const char* part : {"--resume --part 1/2", "--resume --part 2/2"}) {
        const Result again = set.batch(part);
        EXPECT_EQ(again.code, 0) << again.err;
        told += again.err;
    }
    EXPECT_NE(told.find("settings were changed"), std::string::npos) << told;
    EXPECT_NE(told.find("file was changed"), std::string::npos) << told;
    const auto now = set.out();
    EXPECT_EQ(now.size(), 7U);
    EXPECT_EQ(now.at("heron-1-dim.png"), contentHash("somebody's"));
    EXPECT_EQ(now.at("heron-1-dim-2.png"), made.at("heron-1-dim.png"));
    EXPECT_NE(now.at("heron-5-dim.png"), made.at("heron-5-dim.png"));
    for (const char* same : {"heron-0-dim.png", "heron-2-dim.png", "heron-3-dim.png", "heron-4-dim.png"})
        EXPECT_EQ(now.at(same), made.at(same));
}

TEST(PlanCommand, WhatIsMadeStaysMadeAlsoWhereMasksAreLaidIntoTheFrame) {
    const PlannedSet set;
    Preset masked = exposurePreset("Dim", -0.5);
    Layer& layer = masked.carried.look.emplace_back();
    layer.id = layer.name = "spot";
    layer.stages.push_back(makeStage(masked.carried, "warmth"));
    layer.stages[0].parameters["warmth"] = 40.0;
    Random random(3);
    layer.mask = randomMask(random);
    ASSERT_TRUE(hasDrawnMasks(masked));
    writeFileAtomically(set.folder / "masked.bpreset", presetToText(masked));
    const std::string plan = quoted(set.folder / "masked.bplan");
    ASSERT_EQ(run("plan new --preset " + quoted(set.folder / "masked.bpreset") + " --out " +
                      quoted(set.folder / "out") + " --format png " + quoted(set.folder / "in") + " -o " + plan,
                  set.folder)
                  .code,
              0);
    Grade framed = startingGrade();
    framed.prep.push_back(makeStage(framed, "frame"));
    framed.prep.back().parameters["angle"] = 5.0;
    storeGrade(set.folder / "in/heron-3.png", framed);
    ASSERT_EQ(run("batch " + plan, set.folder).code, 0);
    const auto made = set.out();
    const Result again = run("batch --resume " + plan, set.folder);
    EXPECT_EQ(again.code, 0);
    EXPECT_EQ(again.err.find("made again"), std::string::npos) << again.err;
    EXPECT_EQ(set.out(), made);
    // A journal that names a file elsewhere moves nothing there.
    const fs::path journal = set.folder / "out/masked-journal.jsonl";
    std::string text = readFile(journal);
    const std::string inside = (set.folder / "out/heron-0-dim.png").string(),
                      outside = (set.folder / "in/heron-0-dim.png").string();
    for (std::size_t at = text.find(inside); at != std::string::npos; at = text.find(inside, at + outside.size()))
        text.replace(at, inside.size(), outside);
    writeFileAtomically(journal, text);
    EXPECT_EQ(run("batch --resume " + plan, set.folder).code, 0);
    EXPECT_FALSE(fs::exists(outside));
}

TEST(PlanCommand, RefusesWhatWouldMakeAMess) {
    const PlannedSet set;
    EXPECT_EQ(set.batch("--part 0/2").code, 2);
    EXPECT_EQ(set.batch("--part 3/2").code, 2);
    EXPECT_EQ(set.batch("--part x").code, 2);
    EXPECT_EQ(run("batch nowhere.bplan", set.folder).code, 1);
    // A run that was begun and not ended.
    writeFileAtomically(journalFile(readPlanFile(set.folder / "season.bplan")),
                        R"({"format":"baryton-journal","version":1,"plan":"x","part":1,"of":1,"there":[]})"
                        "\n");
    const Result begun = set.batch();
    EXPECT_EQ(begun.code, 2);
    EXPECT_NE(begun.err.find("--resume"), std::string::npos);
    EXPECT_EQ(set.batch("--resume").code, 0);
    // A journal that is none, and one whose last line was cut off.
    writeFileAtomically(journalFile(readPlanFile(set.folder / "season.bplan")), "nonsense\n");
    EXPECT_EQ(set.batch("--resume").code, 1);
    // One bad picture never stops the rest.
    fs::remove_all(set.folder / "out");
    fs::resize_file(set.folder / "in/heron-1.png", 300);
    const Result bad = set.batch("--json");
    EXPECT_EQ(bad.code, 1);
    std::istringstream lines(bad.out);
    int done = 0, failed = 0;
    for (std::string line; std::getline(lines, line);) {
        const Json json = Json::parse(line);
        done += json["state"] == "done", failed += json["state"] == "failed";
    }
    EXPECT_EQ(done, 5);
    EXPECT_EQ(failed, 1);
    EXPECT_EQ(run("plan merge " + set.plan(), set.folder).code, 1);
}

TEST(PlanCommand, PartsThatDieUnderGnuParallelAreRunAgain) {
    const PlannedSet set;
    ASSERT_EQ(set.batch().code, 0);
    const auto wanted = set.out();
    fs::remove_all(set.folder / "out");
    // The second and the third of four are killed the first time.
    const fs::path wrapper = set.folder / "dying-cli";
    writeFileAtomically(wrapper, "#!/bin/sh\n"
                                 "case \"$*\" in *--part\\ [23]/4*)\n"
                                 "  mark=" +
                                     quoted(set.folder / "died-") +
                                     "$(echo \"$*\" | tr -dc 0-9 | tail -c 2)\n"
                                     "  if [ ! -e \"$mark\" ]; then touch \"$mark\"; timeout -s KILL 0.03 " +
                                     std::string(BARYTON_CLI) +
                                     " \"$@\"; exit 137; fi ;;\n"
                                     "esac\n"
                                     "exec " +
                                     std::string(BARYTON_CLI) + " \"$@\"\n");
    fs::permissions(wrapper, fs::perms::owner_all);
    const std::string script = quoted(fs::path(BARYTON_SOURCE) / "share/cluster/with-parallel");
    const std::string command = "BARYTON_CLI=" + quoted(wrapper) + " HOME=" + quoted(set.folder.path()) + " bash " +
                                script + " " + set.plan() + " 4 --jobs 2 >" + quoted(set.folder / "told") + " 2>&1";
    EXPECT_EQ(std::system(command.c_str()), 0) << readFile(set.folder / "told"); // NOLINT: a shell, as people have it
    EXPECT_EQ(set.out(), wanted);
    int died = 0;
    for (const auto& entry : fs::directory_iterator(set.folder.path()))
        died += entry.path().filename().string().starts_with("died-");
    EXPECT_EQ(died, 2);
}

TEST(WatchCommand, MakesWhatArrivesOnceItIsWhole) {
    const PlannedSet set;
    const fs::path inbox = set.folder / "inbox";
    fs::create_directories(inbox);
    const auto start = [&](bool untilIdle) {
        std::vector<std::string> words = {BARYTON_CLI,    "watch",   (set.folder / "season.bplan").string(),
                                          inbox.string(), "--every", "0.2"};
        if (untilIdle) words.push_back("--until-idle");
        std::vector<char*> arguments;
        for (std::string& word : words) arguments.push_back(word.data());
        arguments.push_back(nullptr);
        pid_t child = 0;
        EXPECT_EQ(::posix_spawn(&child, BARYTON_CLI, nullptr, nullptr, arguments.data(), environ), 0);
        return child;
    };
    const auto waitUntil = [](const auto& isSo) {
        const auto end = std::chrono::steady_clock::now() + std::chrono::seconds(60);
        while (!isSo() && std::chrono::steady_clock::now() < end)
            std::this_thread::sleep_for(std::chrono::milliseconds(20));
        return isSo();
    };
    const auto codeOf = [](pid_t child) {
        int status = 0;
        ::waitpid(child, &status, 0);
        return WIFEXITED(status) ? WEXITSTATUS(status) : -1;
    };
    const pid_t watching = start(false);
    fs::copy_file(set.folder / "in/heron-0.png", inbox / "early.png");
    const fs::path out = set.folder / "out";
    ASSERT_TRUE(waitUntil([&] { return fs::exists(out / "early-dim.png"); }));
    // One that is still being copied is left until it is whole; what is no picture is left alone.
    writeFileAtomically(inbox / "notes.txt", "no picture");
    const std::string whole = readFile(set.folder / "in/heron-1.png");
    {
        std::ofstream slow(inbox / "slow.png", std::ios::binary);
        for (std::size_t at = 0; at < whole.size(); at += whole.size() / 8 + 1) {
            slow.write(whole.data() + at,
                       static_cast<std::streamsize>(std::min(whole.size() / 8 + 1, whole.size() - at)));
            slow.flush();
            EXPECT_FALSE(fs::exists(out / "slow-dim.png"));
            std::this_thread::sleep_for(std::chrono::milliseconds(60));
        }
    }
    ASSERT_TRUE(waitUntil([&] { return fs::exists(out / "slow-dim.png"); }));
    EXPECT_NO_THROW(readPicture(out / "slow-dim.png"));
    ::kill(watching, SIGINT);
    EXPECT_EQ(codeOf(watching), 0);
    // The next one makes what has come meanwhile, and nothing twice.
    fs::copy_file(set.folder / "in/heron-2.png", inbox / "later.png");
    const auto time = fs::last_write_time(out / "early-dim.png");
    EXPECT_EQ(codeOf(start(true)), 0);
    EXPECT_EQ(set.out().size(), 3U);
    EXPECT_TRUE(fs::exists(out / "later-dim.png"));
    EXPECT_EQ(fs::last_write_time(out / "early-dim.png"), time);
    const auto refused = run("watch " + set.plan() + " " + quoted(out), set.folder);
    EXPECT_EQ(refused.code, 2) << "never the folder that it writes into";
}

TEST(PlanCommand, MachinesAgreeWhereThePlanAsksForAnInstructionSet) {
    // Which set made a file stands in the journal.
    const PlannedSet set;
    const std::vector<std::string> sets = instructionSets();
    ASSERT_FALSE(sets.empty());

    for (const std::string& name : sets) {
        const fs::path plan = set.folder / (name + ".bplan");
        NamedPlan named = readPlanFile(set.folder / "season.bplan");
        named.name = name, named.plan.instructions = name, named.plan.folder = set.folder / name;
        writeFileAtomically(plan, planToText(named));
        ASSERT_EQ(run("batch " + quoted(plan), set.folder).code, 0) << name;
        const JournalRead journal = readJournal(journalFile(named));
        EXPECT_NE(readFile(journalFile(named)).find("\"instructions\":\"" + name + "\""), std::string::npos);
        for (const auto& entry : journal.entries) EXPECT_EQ(entry.job.state, JobState::Done);
    }
    NamedPlan foreign = readPlanFile(set.folder / "season.bplan");
    foreign.plan.instructions = "abacus";
    writeFileAtomically(set.folder / "foreign.bplan", planToText(foreign));
    const auto refused = run("batch " + quoted(set.folder / "foreign.bplan"), set.folder);
    EXPECT_NE(refused.code, 0);
    EXPECT_NE(refused.err.find(sets.back()), std::string::npos) << "it says what there is";
}

TEST(PlanFile, IsReadAsItWasWrittenAndNothingElseIs) {
    NamedPlan named{"Season", {}};
    named.plan.pictures = {"/in/a.jpg", "/in/b.tif"};
    named.plan.looks = {{"own grade", {}, true}, {"Dim", {exposurePreset("Dim")}, false, ApplyMode::Set, 0.6}};
    named.plan.outputs[0].format = {FileFormat::Tiff,          16,          80,       Ground::Grey,
                                    MetadataKept::AllButPlace, "A. Wright", "© Heron"};
    named.plan.outputs[0].size = sizeWishFromText("2400 px");
    named.plan.folder = "/out";
    named.plan.name = "{look}/{stem}.{ext}";
    named.plan.ifExists = IfExists::Skip;
    named.plan.instructions = "avx2";
    named.plan.prep = PrepChoice::None;
    named.plan.wishes[{1, 0}] = {true, 1, {}};
    named.plan.wishes[{0, 1}] = {false, 0.5, BatchLook{"Bright", {exposurePreset("Bright", 1)}}};
    const std::string text = planToText(named);
    const NamedPlan read = planFromText(text);
    EXPECT_EQ(planToText(read), text);
    EXPECT_EQ(read.plan.looks[1].presets, named.plan.looks[1].presets);
    EXPECT_EQ(planHash(read), planHash(named));
    EXPECT_EQ(read.plan.instructions, "avx2");
    ASSERT_TRUE(read.plan.wishes.at({0, 1}).instead);
    EXPECT_EQ(read.plan.wishes.at({0, 1}).instead->presets, named.plan.wishes.at({0, 1}).instead->presets);
    EXPECT_EQ(read.plan.outputs[0].format.metadata, MetadataKept::AllButPlace);
    EXPECT_EQ(read.plan.outputs[0].format.copyright, "© Heron");
    const Json good = Json::parse(text);
    const auto with = [&](const char* pointer, const Json& value) {
        Json json = good;
        json[Json::json_pointer(pointer)] = value;
        return json.dump();
    };
    for (const std::string& bad :
         {std::string("{"), with("/version", 2), with("/format", "baryton-preset"), with("/files/0/bits", 12),
          with("/files/0/size", "5 km"), with("/files", Json::array()), with("/looks", Json::array()),
          with("/looks/1/presets/0", Json::object()), with("/looks/1/strength", 3), with("/wishes/0/picture", 7),
          with("/folder", ""), with("/exists", "ask"), with("/pictures/0", 4)})
        EXPECT_FALSE(errorOf([&] { planFromText(bad); }).problem().empty()) << bad.substr(0, 80);
}

TEST(Journal, OfARunThatWasCutOffIsReadToItsLastWholeLine) {
    const PlannedSet set;
    ASSERT_EQ(set.batch().code, 0);
    const NamedPlan named = readPlanFile(set.folder / "season.bplan");
    const std::string text = readFile(journalFile(named));
    // Cut anywhere it is read, or refused in words where not even the first line is whole.
    const std::size_t firstLine = text.find('\n');
    for (std::size_t size = 1; size < text.size(); size += kSanitized ? 131 : 17) {
        writeFileAtomically(set.folder / "cut.jsonl", text.substr(0, size));
        if (size < firstLine)
            EXPECT_FALSE(errorOf([&] { readJournal(set.folder / "cut.jsonl"); }).problem().empty());
        else
            EXPECT_LE(readJournal(set.folder / "cut.jsonl").brokenLines, 1U);
    }
    const JournalRead journal = readJournal(journalFile(named));
    EXPECT_EQ(journal.entries.size(), 6U);
    EXPECT_EQ(journal.planHash, planHash(named));
    for (const auto& entry : journal.entries) EXPECT_EQ(entry.job.hash, fileHash(entry.job.file));
    // Every picture is in just one part.
    for (const fs::path& picture : named.plan.pictures) {
        int parts = 0;
        for (int k = 1; k <= 5; ++k) parts += isInPart({k, 5}, picture);
        EXPECT_EQ(parts, 1);
    }
}

} // namespace baryton::test
