#include "package/pack.h"
#include "base/error.h"
#include "base/file.h"
#include "base/first_free.h"
#include "base/letters.h"
#include "base/words.h"
#include "grade/file_json.h"

#include <algorithm>
#include <set>

namespace baryton {

namespace fs = std::filesystem;

namespace {
constexpr const char* kContentsFile = "pack.json";
constexpr const char* kCoverFile = "cover.jpg";
} // namespace

PackContents packContentsFromText(const std::string& text) {
    const Json json = parseFileJson(text, "baryton-pack");
    PackContents contents;
    contents.info.name = json.value("name", "");
    contents.info.author = json.value("author", "");
    contents.info.licence = json.value("licence", "");
    contents.info.notes = json.value("notes", "");
    contents.coverPath = json.value("cover", "");
    for (const Json& group : json.at("groups"))
        contents.groups.push_back({group.value("name", ""), group.value("items", std::vector<std::string>{})});
    return contents;
}

namespace {

/// The paths of items within a pack: as they are in the library, but for what an archive is refused for.
class PathsInPack {
public:
    std::string next(const std::string& item) {
        std::string path;
        for (const char c : item) path += isBad(c) ? '-' : c;
        if (path.size() > 1 && path[1] == ':') path[1] = '-'; // as a drive's name
        const fs::path made =
            freeFile(path, [&](const fs::path& each) { return taken_.contains(lowerCase(each.generic_string())); });
        taken_.insert(lowerCase(made.generic_string()));
        return made.generic_string();
    }

private:
    static bool isBad(char c) { return static_cast<unsigned char>(c) < 0x20 || c == 0x7f || c == '\\'; }
    std::set<std::string> taken_; ///< without regard to case, as archives are read
};

} // namespace

std::string packBytes(const PackInfo& info, const std::vector<LibraryEntry>& entries) {
    Json json = {{"format", "baryton-pack"}, {"version", 1}, {"name", info.name}, {"groups", Json::array()}};
    if (!info.author.empty()) json["author"] = info.author;
    if (!info.licence.empty()) json["licence"] = info.licence;
    if (!info.notes.empty()) json["notes"] = info.notes;
    if (!info.cover.empty()) json["cover"] = kCoverFile;
    std::vector<ArchiveFile> files;
    PathsInPack paths;
    for (const LibraryEntry& entry : entries) {
        if (!entry.preset && !entry.isPending)
            throw Error(entry.file.string(), "", words("it can't be read and does not go into a pack"), entry.error);
        Json& groups = json["groups"];
        auto group =
            std::find_if(groups.begin(), groups.end(), [&](const Json& g) { return g["name"] == entry.group; });
        if (group == groups.end()) {
            groups.push_back({{"name", entry.group}, {"items", Json::array()}});
            group = std::prev(groups.end());
        }
        const std::string path = paths.next(entry.item());
        (*group)["items"].push_back(path);
        files.push_back({path, readFile(entry.file)});
    }
    if (!info.cover.empty()) files.insert(files.begin(), {kCoverFile, info.cover});
    files.insert(files.begin(), {kContentsFile, fileText(json)});
    return writeZip(files);
}

bool isPack(const std::filesystem::path& file) {
    try {
        const auto files = readZip(readFile(file));
        return std::any_of(files.begin(), files.end(),
                           [](const ArchiveFile& each) { return each.path == kContentsFile; });
    } catch (const Error&) {
        return false;
    }
}

} // namespace baryton
