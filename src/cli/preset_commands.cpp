#include "base/error.h"
#include "base/file.h"
#include "base/output.h"
#include "base/utf8.h"
#include "cli/commands.h"
#include "cli/terminal.h"
#include "edits/preset_words.h"
#include "grade/grade_json.h"
#include "grade/json.h"
#include "package/import.h"
#include "stages/stage_type.h"
#include "stages/validate.h"

#include <fmt/format.h>
#include <functional>
#include <iostream>
#include <memory>
#include <set>

namespace baryton {

namespace fs = std::filesystem;

namespace {

struct PresetOptions {
    std::string file, other, library, out, name, author, licence, notes, cover, clash = "keep";
    std::vector<std::string> files;
    bool asJson = false, dryRun = false;
};

std::string valueText(const Stage& stage, const std::string& id, const Value& value) {
    const StageType* type = findStageType(stage.type);
    const ParameterType* parameter = type ? type->parameter(id) : nullptr;
    return parameter && value.index() == parameter->defaultValue.index() ? shownText(*parameter, value)
                                                                         : valueToJson(value).dump();
}

std::string parameterName(const Stage& stage, const std::string& id) {
    const StageType* type = findStageType(stage.type);
    const ParameterType* parameter = type ? type->parameter(id) : nullptr;
    return parameter ? parameter->name : id;
}

void showPart(const std::string& head, const std::vector<Stage>& stages) {
    if (stages.empty()) return;
    std::cout << head << '\n';
    for (const Stage& stage : stages) {
        std::cout << "  " << stageTitle(stage);
        if (stage.enabled) std::cout << (*stage.enabled ? " · on" : " · off");
        if (stage.strength) std::cout << fmt::format(" · strength {:.0f}", *stage.strength * 100);
        std::cout << '\n';
        for (const auto& [id, value] : stage.parameters)
            std::cout << fmt::format("    {:<20} {}\n", parameterName(stage, id), valueText(stage, id, value));
    }
}

int show(const PresetOptions& options) {
    const Preset preset = readPresetFile(options.file);
    std::cout << preset.name << '\n';
    if (!preset.author.empty()) std::cout << "by " << preset.author << '\n';
    if (!preset.notes.empty()) std::cout << preset.notes << '\n';
    showPart("Prep", preset.carried.prep);
    for (const Layer& layer : preset.carried.look) {
        std::string head = "Look · " + layer.name;
        if (layer.enabled) head += *layer.enabled ? " · on" : " · off";
        if (layer.strength) head += fmt::format(" · strength {:.0f}", *layer.strength * 100);
        if (layer.blend) head += " · " + *layer.blend;
        if (layer.isMasked()) head += fmt::format(" · mask of {} shapes", layer.mask->shapes.size());
        showPart(head, layer.stages);
    }
    showPart("Finish", preset.carried.finish);
    return kAllDone;
}

int validateFiles(const PresetOptions& options) {
    int code = kAllDone;
    for (const std::string& file : options.files) {
        try {
            const auto problems = validate(readPresetFile(file).carried);
            for (const Error& problem : problems) std::cerr << problem.inFile(file).what() << '\n';
            if (problems.empty())
                std::cout << file << ": valid\n";
            else
                code = kSomeFailed;
        } catch (const Error& e) {
            std::cerr << e.what() << '\n';
            code = kSomeFailed;
        }
    }
    return code;
}

/// What a preset does, in sentences, stage by stage in the order they act.
int explain(const PresetOptions& options) {
    const Preset preset = readPresetFile(options.file);
    std::cout << preset.name << ": applied, it " << accountOf(preset) << ".\n";
    if (!preset.notes.empty()) std::cout << preset.notes << '\n';
    int number = 0;
    for (const StagePlace& place : stagePlaces(preset.carried)) {
        const Stage& stage = stageAt(preset.carried, place);
        const StageType* type = findStageType(stage.type);
        std::string where = partName(place.part);
        if (place.part == Part::Look) where += ", layer " + preset.carried.look[place.layer].name;
        std::cout << fmt::format("\n{}. {} ({})\n", ++number, stageTitle(stage), where);
        if (!type) {
            std::cout << "   Not known to this version: kept, and without effect.\n";
            continue;
        }
        std::cout << "   " << type->summary << '\n';
        std::string values;
        for (const auto& [id, value] : stage.parameters)
            values += (values.empty() ? "" : ", ") + parameterName(stage, id) + " " + valueText(stage, id, value);
        if (!values.empty()) std::cout << "   Sets " << values << ".\n";
        if (!type->bakes()) std::cout << "   Depends on the place in the picture: can't be part of a LUT.\n";
    }
    return kAllDone;
}

Library libraryOf(const PresetOptions& options) {
    return Library(options.library.empty() ? userLibraryFolder() : fs::path(options.library));
}

int list(const PresetOptions& options) {
    std::error_code ignored;
    if (!options.library.empty() && !fs::is_directory(options.library, ignored))
        throw Error(options.library, "", "there is no such folder", "check its name, or leave --library out");
    const Library library = libraryOf(options);
    std::string indexError;
    const LibraryIndex index = library.index(&indexError);
    if (!indexError.empty()) std::cerr << indexError << '\n';
    Json all = Json::array();
    std::string group;
    int code = kAllDone;
    for (const LibraryEntry& entry : library.entries()) {
        const auto known = index.items.find(entry.item());
        const bool favourite = known != index.items.end() && known->second.isFavourite;
        if (!entry.preset) {
            std::cerr << entry.error << '\n';
            code = kSomeFailed;
        }
        if (options.asJson) {
            Json item = {
                {"group", asUtf8(entry.group)}, {"name", asUtf8(entry.name)}, {"file", asUtf8(entry.file.string())}};
            if (entry.preset) item["sets"] = presentIn(entry.preset->carried).size();
            if (entry.preset && !entry.preset->notes.empty()) item["notes"] = entry.preset->notes;
            if (favourite) item["favourite"] = true;
            if (!entry.error.empty()) item["error"] = asUtf8(entry.error);
            all.push_back(std::move(item));
            continue;
        }
        if (entry.group != group) std::cout << (group.empty() ? "" : "\n") << entry.group << '\n';
        group = entry.group;
        const std::string words = entry.preset ? accountOf(*entry.preset) : "can't be read";
        std::cout << fmt::format("  {}{:<28} {}\n", favourite ? "★ " : "", entry.name, words);
    }
    if (options.asJson) std::cout << all.dump(1) << '\n';
    return code;
}

/// The presets and LUTs named, folders by what they hold, each under its folder's name as its group.
std::vector<LibraryEntry> entriesOf(const std::vector<std::string>& files) {
    std::vector<LibraryEntry> entries;
    std::set<FileIdentity> known;
    const auto add = [&](std::vector<LibraryEntry> more) { // what is named twice goes in once
        for (LibraryEntry& entry : more) {
            const auto identity = identityOf(entry.file);
            if (!identity || known.insert(*identity).second) entries.push_back(std::move(entry));
        }
    };
    for (const std::string& name : files) {
        if (fs::is_directory(name)) {
            const fs::path whole = fs::canonical(name);
            auto group = Library(whole.parent_path()).entriesIn(whole.filename().string());
            add(group.empty() ? Library(whole).entries() : std::move(group)); // a group, or a folder of groups
            continue;
        }
        requireReadable(name);
        const fs::path whole = fs::absolute(name).lexically_normal();
        auto entry = Library(whole.parent_path().parent_path()).entryOf(whole);
        if (!entry)
            throw Error(name, "", "not a preset (.bpreset) and not a LUT (.cube, .3dl, .clf)", "name one of these");
        add({std::move(*entry)});
    }
    return entries;
}

int pack(const PresetOptions& options) {
    const auto entries = entriesOf(options.files);
    if (entries.empty())
        throw Error(options.files.front(), "", "there are no presets and LUTs", "name files or folders with some");
    InputSet inputs;
    for (const LibraryEntry& entry : entries) inputs.add(entry.file);
    for (const std::string& file : options.files) inputs.add(file);
    if (!options.cover.empty()) inputs.add(options.cover);
    const bool isShown = options.out == "-";
    if (!isShown) checkUsage([&] { requireOutput(options.out, inputs, isPack, "a pack"); });
    PackInfo info{options.name, options.author, options.licence, options.notes, {}};
    if (info.name.empty() && isShown) info.name = "Presets";
    if (info.name.empty()) info.name = fs::path(options.out).stem().string();
    if (!options.cover.empty()) info.cover = readFile(options.cover, std::size_t(4) << 20);
    if (!info.cover.empty() && !info.cover.starts_with("\xff\xd8\xff"))
        throw Error(options.cover, "", "the cover is not a JPEG", "name a JPEG");
    if (isShown) {
        exactOutput() << packBytes(info, entries) << std::flush;
        return kAllDone;
    }
    writeFileAtomically(options.out, packBytes(info, entries));
    std::cout << fmt::format("{}: {} {}\n", options.out, entries.size(), entries.size() == 1 ? "item" : "items");
    return kAllDone;
}

std::string stateWord(ImportItem::State state) {
    switch (state) {
    case ImportItem::State::New:
        return "new";
    case ImportItem::State::Same:
        return "there already";
    case ImportItem::State::Differing:
        return "differs";
    case ImportItem::State::Twice:
        return "twice";
    case ImportItem::State::Refused:
        return "can't be read";
    case ImportItem::State::Foreign:
        break;
    }
    return "something else";
}

int unpack(const PresetOptions& options) {
    const Library library = libraryOf(options);
    std::vector<fs::path> files(options.files.begin(), options.files.end());
    ImportAccount account = accountOfImport(files, library);
    bool refused = false;
    std::size_t added = 0;
    for (ImportItem& item : account.items) {
        using Choice = ImportItem::Choice;
        if (item.state == ImportItem::State::Differing)
            item.choice = options.clash == "replace" ? Choice::Replace
                          : options.clash == "skip"  ? Choice::LeaveOut
                                                     : Choice::KeepBoth;
        refused = refused || item.state == ImportItem::State::Refused;
        const bool isAdded = item.preset && item.choice != Choice::LeaveOut;
        added += isAdded;
        std::cout << fmt::format("{:<14} {:<9} {}{}\n", stateWord(item.state), isAdded ? "added" : "left out",
                                 item.preset ? item.group + "/" + item.name : item.path,
                                 item.reason.empty() ? "" : "  (" + item.reason + ")");
    }
    if (!options.dryRun) perform(importEdit(account, library));
    std::cout << fmt::format("{} of {} {}\n", added, account.items.size(),
                             options.dryRun ? "would be added" : "added to " + library.root().string());
    return refused ? kSomeFailed : kAllDone;
}

/// Without names for stages and layers that mean nothing to the picture.
Grade withPlainIds(Grade grade) {
    grade.given = {};
    int number = 0;
    for (Layer& layer : grade.look) layer.id = std::to_string(++number);
    for (const StagePlace& place : stagePlaces(grade)) stageAt(grade, place).id = std::to_string(++number);
    return grade;
}

std::string orderOf(const Grade& grade) {
    std::string all;
    for (const StagePlace& place : stagePlaces(grade))
        all += (all.empty() ? "" : ", ") + stageTitle(grade, stageAt(grade, place));
    return all;
}

int compare(const PresetOptions& options) {
    const Preset a = readPresetFile(options.file), b = readPresetFile(options.other);
    // Stages are compared as applying would match them: the second preset's values in the first one's places.
    const Grade inPlaces = applied(a.carried, b, ApplyMode::Set);
    const auto changes = diff(a.carried, inPlaces);
    std::size_t onlyFirst = 0;
    const Grade back = applied(b.carried, a, ApplyMode::Set);
    for (const Change& change : diff(b.carried, back))
        if (!change.before) ++onlyFirst;
    const auto text = [&](const Change& change, const std::optional<Value>& value) -> std::string {
        if (!value) return "–";
        const auto place = findStage(inPlaces, change.path.stage);
        return place ? valueText(stageAt(inPlaces, *place), change.path.parameter, *value)
                     : valueToJson(*value).dump();
    };
    for (const Change& change : changes) {
        const auto place = findStage(inPlaces, change.path.stage);
        const std::string stage = place ? stageTitle(stageAt(inPlaces, *place)) : "layer";
        const std::string name =
            place ? parameterName(stageAt(inPlaces, *place), change.path.parameter) : change.path.parameter;
        std::cout << fmt::format("{}: {}  {} → {}\n", stage, name, text(change, change.before),
                                 text(change, change.after));
    }
    if (onlyFirst > 0) std::cout << fmt::format("{} values are carried by {} alone\n", onlyFirst, options.file);
    if (!changes.empty() || onlyFirst > 0) return kSomeFailed;
    if (!(withPlainIds(a.carried) == withPlainIds(b.carried))) {
        std::cout << fmt::format("the same values in another order or other layers: {} → {}\n", orderOf(a.carried),
                                 orderOf(b.carried));
        return kSomeFailed;
    }
    std::cout << "the same values\n";
    return kAllDone;
}

} // namespace

void addPresetCommands(CLI::App& app, int& code) {
    auto* preset = app.add_subcommand("preset", "List, read, check, compare, pack and unpack presets");
    preset->require_subcommand(1);
    auto options = std::make_shared<PresetOptions>();
    const auto add = [&](const char* name, const char* what, const std::function<int(const PresetOptions&)>& run) {
        auto* command = preset->add_subcommand(name, what);
        command->callback([options, run, &code] { code = run(*options); });
        return command;
    };
    const auto addFile = [&](CLI::App* command) {
        command->add_option("file", options->file, "A .bpreset file")->required()->type_name("FILE");
    };
    const auto addLibrary = [&](CLI::App* command) {
        command->add_option("--library", options->library, "The library's folder; default: the user's")
            ->type_name("DIR");
    };
    auto* listCommand = add("list", "List the library: groups, presets, what each sets", list);
    addLibrary(listCommand);
    listCommand->add_flag("--json", options->asJson, "As JSON");
    addFile(add("show", "Tell what a preset carries, value by value", show));
    add("validate", "Check presets against the format and the stages; exit 1 when something is wrong", validateFiles)
        ->add_option("files", options->files, ".bpreset files")
        ->required()
        ->type_name("FILE");
    addFile(add("explain", "Tell in sentences what a preset does, stage by stage", explain));
    auto* diffCommand = add("diff", "Tell how two presets differ; exit 1 when they do", compare);
    addFile(diffCommand);
    diffCommand->add_option("other", options->other, "Another .bpreset file")->required()->type_name("FILE");
    auto* packCommand = add("pack", "Write presets, LUTs or folders of them into one pack", pack);
    packCommand->add_option("files", options->files, "Presets, LUTs, folders")->required()->type_name("FILE|DIR");
    packCommand->add_option("--out", options->out, "The pack to write; - for standard output")
        ->required()
        ->type_name("FILE.bpack");
    packCommand->add_option("--name", options->name, "Its name; default: the file's");
    packCommand->add_option("--author", options->author, "Who made it");
    packCommand->add_option("--licence", options->licence, "What others may do with it");
    packCommand->add_option("--notes", options->notes, "A few words");
    packCommand->add_option("--cover", options->cover, "A JPEG that shows it")->type_name("FILE.jpg");
    auto* unpackCommand = add("unpack", "Add packs, zips, folders or files to a library, with an account", unpack);
    unpackCommand->add_option("files", options->files, "Packs, zips, folders, presets, LUTs")
        ->required()
        ->type_name("FILE|DIR");
    addLibrary(unpackCommand);
    unpackCommand->add_flag("--dry-run", options->dryRun, "Only the account, nothing is written");
    unpackCommand->add_option("--clash", options->clash, "Where the library has something else of the name")
        ->check(CLI::IsMember({"keep", "replace", "skip"}))
        ->capture_default_str();
}

} // namespace baryton
