#include "package/import.h"
#include "base/error.h"
#include "base/file.h"
#include "base/first_free.h"
#include "base/letters.h"
#include "base/private_folder.h"
#include "base/words.h"
#include "lut/lut_file.h"
#include "lut/lut_picture.h"
#include "render/program.h"
#include "stages/validate.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <set>

namespace baryton {

namespace fs = std::filesystem;

namespace {

using State = ImportItem::State;
using Choice = ImportItem::Choice;

constexpr std::size_t kMostFiles = 20000;
constexpr std::size_t kMostBytes = std::size_t(128) << 20;

std::string extensionOf(const std::string& path) {
    return lowerCase(fs::path(path).extension().string());
}

bool isPictureName(const std::string& path) {
    const std::string extension = extensionOf(path);
    return extension == ".jpg" || extension == ".jpeg" || extension == ".png" || extension == ".tif" ||
           extension == ".tiff";
}

/// What could be done with a file that is neither preset nor LUT.
std::string hintFor(const std::string& path) {
    const std::string extension = extensionOf(path);
    if (extension == ".zip" || extension == ".bpack")
        return words("an archive within the archive: import it by itself");
    if (isPictureName(path)) return words("a picture: open it in Grade");
    if (extension == ".txt" || extension == ".md" || extension == ".pdf" || extension == ".html")
        return words("something to read");
    if (extension == ".bgrade") return words("the grade of a picture: it belongs beside its picture");
    return words("not a preset (.bpreset) and not a LUT (.cube, .3dl, .clf); the program it was made for may write "
                 "one of these");
}

/// Files of the system that nobody wants to read about.
bool isLitter(const std::string& path) {
    const std::string name = fs::path(path).filename().string();
    return name.starts_with('.') || path.starts_with("__MACOSX/") || name == "Thumbs.db" || name == "desktop.ini";
}

/// What a file holds, or why it is refused.
void read(ImportItem& item) {
    try {
        if (item.kind == LibraryEntry::Kind::Preset) {
            item.preset = presetFromText(item.bytes);
            requireValid(item.preset->carried);
            item.name = item.preset->name;
        } else {
            const ParsedLut lut = parseLut(item.bytes);
            item.preset = lutPreset(lut.table, fs::path(item.path).filename().string());
            item.name = item.preset->name;
        }
    } catch (const Error& e) {
        item.state = State::Refused;
        item.choice = Choice::LeaveOut;
        item.reason = (e.place().empty() ? "" : e.place() + ": ") + e.problem();
        item.bytes.clear();
        item.preset.reset();
    }
}

/// What a Look makes of n³ colours, held to 0…1.
std::vector<float> answersOf(const Grade& look, int n) {
    const Program program = Program::compile(look);
    std::vector<float> answers;
    for (int i = 0; i < n * n * n; ++i) {
        std::array<float, 3> colour{};
        for (int k = 0, rest = i; k < 3; ++k, rest /= n)
            colour[static_cast<std::size_t>(k)] = static_cast<float>(rest % n) / static_cast<float>(n - 1);
        for (const float v : program(colour)) answers.push_back(std::clamp(v, 0.F, 1.F));
    }
    return answers;
}

bool areClose(const std::vector<float>& a, const std::vector<float>& b) {
    constexpr float close = 0.02F; // grids of 17 and 33 nodes of one smooth look differ by less
    return std::equal(a.begin(), a.end(), b.begin(), b.end(),
                      [](float x, float y) { return std::abs(x - y) < close; });
}

/// A LUT that others are compared with: by a few colours first, which tell most of them apart.
struct KnownLut {
    std::string path; ///< as it is told
    const Grade* look;
    std::vector<float> few;

    KnownLut(std::string path_, const Grade& look_)
        : path(std::move(path_)), look(&look_), few(answersOf(look_, 3)) {}
    bool doesTheSame(const KnownLut& other) const {
        return areClose(few, other.few) && areClose(answersOf(*look, 9), answersOf(*other.look, 9));
    }
};

/// The group of a file within an archive: its folders, but for one that all files lie in.
std::string groupOf(const std::string& path, const std::string& common, const std::string& otherwise) {
    const std::string folder = fs::path(path.substr(common.size())).parent_path().generic_string();
    if (folder.empty()) return otherwise;
    std::string name;
    for (const auto& part : fs::path(folder)) name += (name.empty() ? "" : " – ") + part.string();
    return name;
}

std::string commonFolder(const std::vector<ArchiveFile>& files) {
    std::string common;
    bool first = true;
    for (const auto& file : files) {
        if (isLitter(file.path)) continue;
        const auto slash = file.path.find('/');
        const std::string top = slash == std::string::npos ? "" : file.path.substr(0, slash + 1);
        if (first) common = top;
        if (top != common) return {};
        first = false;
    }
    return common;
}

/// Pictures that are LUTs come as the tables that they teach.
void readPictureLut(ImportItem& item, const fs::path& file) {
    const std::optional<LearntLut> learnt = lutInPicture(file);
    if (!learnt) return;
    item.kind = LibraryEntry::Kind::Lut;
    item.state = State::New, item.choice = Choice::Add;
    item.reason = inWords("read from a picture of {} colours along an edge", learnt->account.size);
    for (const std::string& remark : learnt->account.remarks) item.reason += "; " + remark;
    LutTable table = learnt->table;
    table.title = item.name;
    item.bytes = cubeText(table);
    item.preset = lutPreset(table, item.name + ".cube");
}

/// `there`: the same file where it lies on disk; empty for what an archive holds.
ImportItem itemFor(const std::string& path, const std::string& bytes, const std::string& group,
                   const fs::path& there = {}) {
    ImportItem item;
    item.path = path;
    item.group = group;
    item.name = fs::path(path).stem().string();
    const std::string extension = extensionOf(path);
    if (extension == ".bpreset" || isLutName(path)) {
        item.kind = extension == ".bpreset" ? LibraryEntry::Kind::Preset : LibraryEntry::Kind::Lut;
        item.bytes = bytes;
        read(item);
    } else {
        item.state = State::Foreign;
        item.choice = Choice::LeaveOut;
        item.reason = hintFor(path);
        if (isPictureName(path) && !there.empty()) {
            readPictureLut(item, there);
        } else if (isPictureName(path)) {
            const PrivateFolder aside;
            const fs::path file = aside.path() / ("picture" + extension);
            writeFileAtomically(file, bytes);
            readPictureLut(item, file);
        }
    }
    return item;
}

void addArchive(ImportAccount& account, const fs::path& file) {
    std::vector<ArchiveFile> files;
    std::optional<PackContents> pack;
    try {
        files = readZip(readFile(file, kMostBytes * 4));
        for (const auto& each : files)
            if (each.path == "pack.json") pack = packContentsFromText(each.bytes);
    } catch (const Error& e) {
        throw e.inFile(file.string());
    }
    if (pack) {
        account.info = pack->info;
        for (const auto& each : files)
            if (!pack->coverPath.empty() && each.path == pack->coverPath && each.bytes.starts_with("\xff\xd8\xff"))
                account.info.cover = each.bytes;
    }
    const std::string common = pack ? std::string() : commonFolder(files);
    const std::string own = common.empty() ? file.stem().string() : common.substr(0, common.size() - 1);
    std::map<std::string, std::string> missing; // what the pack names, with its group
    if (pack)
        for (const auto& group : pack->groups)
            for (const auto& named : group.items) missing[named] = group.name;
    for (const auto& each : files) {
        // What a pack names is meant, whatever it is called.
        if ((isLitter(each.path) && !missing.contains(each.path)) ||
            (pack && (each.path == "pack.json" || each.path == pack->coverPath)))
            continue;
        std::string group = groupOf(each.path, common, own);
        if (const auto named = missing.find(each.path); named != missing.end()) {
            group = named->second;
            missing.erase(named);
        }
        account.items.push_back(itemFor(each.path, each.bytes, group));
    }
    for (const auto& [path, group] : missing) {
        ImportItem item;
        item.path = path;
        item.name = fs::path(path).stem().string();
        item.group = account.info.name;
        item.state = State::Refused;
        item.choice = Choice::LeaveOut;
        item.reason = words("the pack names it, but does not hold it");
        account.items.push_back(std::move(item));
    }
}

void addFolder(ImportAccount& account, const fs::path& folder) {
    std::vector<ArchiveFile> files;
    std::error_code failed;
    std::size_t seen = 0;
    for (fs::recursive_directory_iterator it(folder, failed), end; !failed && it != end; it.increment(failed)) {
        if (++seen > kMostFiles)
            throw Error(folder.string(), "", inWords("the folder has more than {} files", kMostFiles),
                        words("import a smaller one"));
        if (!it->is_regular_file(failed) || it->is_symlink(failed)) continue;
        const std::string path = it->path().lexically_relative(folder).generic_string();
        const std::string extension = extensionOf(path);
        const bool wanted = extension == ".bpreset" || isLutName(path);
        files.push_back({path, wanted ? readFile(it->path(), kMostBytes) : std::string()});
    }
    std::sort(files.begin(), files.end(), [](const auto& a, const auto& b) { return a.path < b.path; });
    for (const auto& file : files)
        if (!isLitter(file.path))
            account.items.push_back(itemFor(file.path, file.bytes, groupOf(file.path, "", folder.filename().string()),
                                            folder / file.path));
}

/// Of LUTs that come in two formats one is kept: .cube, which is the finest one.
void findTwins(std::vector<ImportItem>& items) {
    std::vector<KnownLut> cubes;
    for (const ImportItem& item : items)
        if (item.kind == LibraryEntry::Kind::Lut && item.preset && extensionOf(item.path) == ".cube")
            cubes.emplace_back(item.path, item.preset->carried);
    for (ImportItem& item : items) {
        if (item.kind != LibraryEntry::Kind::Lut || !item.preset || extensionOf(item.path) == ".cube") continue;
        const KnownLut own(item.path, item.preset->carried);
        const auto twin =
            std::find_if(cubes.begin(), cubes.end(), [&](const auto& cube) { return cube.doesTheSame(own); });
        if (twin == cubes.end()) continue;
        item.state = State::Twice;
        item.choice = Choice::LeaveOut;
        item.reason = inWords("the same as {}", twin->path);
    }
}

std::string fileNameOf(const ImportItem& item) {
    if (item.kind == LibraryEntry::Kind::Preset) return safeFileName(item.name) + ".bpreset";
    return isPictureName(item.path) ? safeFileName(item.name) + ".cube"
                                    : safeFileName(fs::path(item.path).filename().string());
}

/// A preset without what is only said of it.
std::string contentOf(Preset preset) {
    preset.name.clear(), preset.notes.clear(), preset.author.clear(), preset.covers.clear();
    return presetToText(preset);
}

/// What the library has elsewhere, in another group or under another name: a copy is noticed and left out.
void findCopies(std::vector<ImportItem>& items, const Library& library) {
    if (std::none_of(items.begin(), items.end(), [](const auto& item) { return item.state == State::New; })) return;
    const std::vector<LibraryEntry> entries = library.entries();
    const auto nameOf = [](const LibraryEntry& entry) { return entry.group + " / " + entry.name; };
    std::vector<KnownLut> luts;
    std::map<std::string, std::string> presets; // the content of each, with its name
    for (const LibraryEntry& entry : entries) {
        if (!entry.preset) continue;
        if (entry.kind == LibraryEntry::Kind::Lut)
            luts.emplace_back(nameOf(entry), entry.preset->carried);
        else
            presets.emplace(contentOf(*entry.preset), nameOf(entry));
    }
    for (ImportItem& item : items) {
        if (item.state != State::New || !item.preset) continue;
        std::string copy;
        if (item.kind == LibraryEntry::Kind::Lut) {
            const KnownLut own(item.path, item.preset->carried);
            for (const KnownLut& lut : luts)
                if (copy.empty() && lut.doesTheSame(own)) copy = lut.path;
        } else {
            if (const auto same = presets.find(contentOf(*item.preset)); same != presets.end()) copy = same->second;
        }
        if (copy.empty()) continue;
        item.state = State::Same;
        item.choice = Choice::LeaveOut;
        item.reason = inWords("the library has it as {}", copy);
    }
}

void compareWithLibrary(std::vector<ImportItem>& items, const Library& library) {
    for (ImportItem& item : items) {
        if (item.state != State::New) continue;
        const fs::path file = library.folderOf(item.group) / fileNameOf(item);
        std::error_code ignored;
        if (!fs::exists(file, ignored)) continue;
        bool same = false;
        try {
            const std::string there = readFile(file);
            same = there == item.bytes || (item.kind == LibraryEntry::Kind::Preset && item.preset &&
                                           presetToText(presetFromText(there)) == presetToText(*item.preset));
        } catch (const Error&) {
            // What is there can't be read: it differs, and stays.
        }
        item.state = same ? State::Same : State::Differing;
        item.choice = same ? Choice::LeaveOut : Choice::KeepBoth;
        if (same) item.reason = words("the library has it");
    }
    findCopies(items, library);
}

} // namespace

std::size_t ImportAccount::count(State state) const {
    return static_cast<std::size_t>(
        std::count_if(items.begin(), items.end(), [&](const ImportItem& item) { return item.state == state; }));
}

ImportAccount accountOfImport(const std::vector<fs::path>& files, const Library& library) {
    ImportAccount account;
    if (!files.empty()) account.info.name = files.front().stem().string();
    for (const fs::path& file : files) {
        std::error_code ignored;
        const std::string extension = extensionOf(file.string());
        if (fs::is_directory(file, ignored))
            addFolder(account, file);
        else if (extension == ".bpack" || extension == ".zip")
            addArchive(account, file);
        else
            account.items.push_back(itemFor(file.filename().string(),
                                            isPictureName(file.string()) ? std::string() : readFile(file, kMostBytes),
                                            words("Added"), file));
    }
    findTwins(account.items);
    compareWithLibrary(account.items, library);
    return account;
}

LibraryEdit importEdit(const ImportAccount& account, const Library& library) {
    LibraryEdit edit{inWords("Import {}", account.info.name), {}};
    std::map<fs::path, std::string> taken; // with the names of what goes there
    const auto added = [&](const fs::path& file) {
        return std::any_of(edit.changes.begin(), edit.changes.end(),
                           [&](const FileChange& change) { return change.file == file; });
    };
    for (const ImportItem& item : account.items) {
        if (item.choice == Choice::LeaveOut || !item.preset) continue;
        const fs::path folder = library.folderOf(item.group);
        std::error_code ignored;
        for (const fs::path& each : {library.root(), folder})
            if (!fs::exists(each, ignored) && !added(each))
                edit.changes.push_back({FileChange::Kind::Folder, each, {}, {}, {}});
        const fs::path wanted = folder / fileNameOf(item);
        const bool mayReplace = item.choice == Choice::Replace;
        const fs::path file = freeFile(wanted, [&](const fs::path& each) {
            return taken.contains(each) || (!mayReplace && fs::exists(each, ignored));
        });
        std::string bytes = item.bytes;
        // A second one of a name is called like its file; another name that just comes to the same file stays.
        const auto first = taken.find(wanted);
        const bool isSecond = fs::exists(wanted, ignored) || (first != taken.end() && first->second == item.name);
        if (item.kind == LibraryEntry::Kind::Preset && file != wanted && isSecond) {
            Preset named = *item.preset;
            named.name = file.stem().string();
            bytes = presetToText(named);
        }
        taken.emplace(file, item.name);
        edit.changes.push_back(contentChange(file, std::move(bytes)));
    }
    return edit;
}

bool giveFirstPresets(const Library& library, const fs::path& given) {
    std::error_code ignored;
    if (fs::exists(library.root() / "library.json", ignored) || !fs::is_directory(given, ignored)) return false;
    ImportAccount account = accountOfImport({given}, library);
    for (ImportItem& item : account.items)
        if (item.state != State::New) item.choice = Choice::LeaveOut;
    perform(importEdit(account, library));
    perform(library.setIndex({}, words("First presets")));
    return true;
}

} // namespace baryton
