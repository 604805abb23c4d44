#include "cli/collect.h"
#include "base/file.h"
#include "base/letters.h"
#include "base/output.h"
#include "cli/commands.h"
#include "picture/metadata.h"
#include "picture/picture_file.h"

#include <algorithm>
#include <fnmatch.h>
#include <iostream>
#include <iterator>
#include <map>
#include <set>

namespace baryton {

namespace fs = std::filesystem;

namespace {

std::vector<std::string> namesIn(const std::string& listFile) {
    std::string text;
    if (listFile == "-")
        text.assign(std::istreambuf_iterator<char>(std::cin), {});
    else
        text = readFile(listFile);
    if (!text.empty() && text.find('\0') == std::string::npos)
        throw WrongUsage("--files-from", "", "the names in the list do not end in NUL",
                         "make it with find … -print0 or printf '%s\\0'");
    std::vector<std::string> names;
    for (std::size_t from = 0; from < text.size();) {
        const std::size_t to = std::min(text.find('\0', from), text.size());
        if (to > from) names.push_back(text.substr(from, to - from));
        from = to + 1;
    }
    return names;
}

bool isSame(const fs::path& a, const fs::path& b) {
    std::error_code ignored;
    return fs::equivalent(a, b, ignored);
}

/// The pictures of a folder, and an account of what else lies there.
class Folder {
public:
    Folder(const fs::path& folder, const PicturesWanted& wanted) : folder_(folder), wanted_(wanted) {
        look(folder);
        if (!wanted.bothOfPairs) pairs_ = leaveOutPairs(pictures_);
        std::sort(pictures_.begin(), pictures_.end());
    }
    const std::vector<fs::path>& pictures() const { return pictures_; }
    std::string passedOver() const {
        std::string text;
        const auto add = [&](std::size_t count, const std::string& one, const std::string& many) {
            if (count > 0)
                text += (text.empty() ? "" : ", ") + std::to_string(count) + " " + (count == 1 ? one : many);
        };
        add(results_, "result of an earlier run", "results of earlier runs");
        std::size_t files = 0;
        std::string kinds;
        for (const auto& [kind, count] : others_) {
            files += count;
            kinds += (kinds.empty() ? "" : ", ") + (kind.empty() ? "without an ending" : kind) + " " +
                     std::to_string(count);
        }
        add(pairs_, "JPEG beside its raw file (--both-of-pairs takes it too)",
            "JPEGs beside their raw files (--both-of-pairs takes them too)");
        add(unlike_, "picture that --only does not name", "pictures that --only does not name");
        add(files, "file of another kind (" + kinds + ")", "files of other kinds (" + kinds + ")");
        add(folders_, "folder (--recursive takes it too)", "folders (--recursive takes them too)");
        return text.empty() ? text : folder_.string() + ": passed over: " + text;
    }

private:
    void look(const fs::path& folder) {
        const bool isOut = isSame(folder, wanted_.out);
        std::error_code failed;
        std::vector<fs::path> below;
        for (fs::directory_iterator it(folder, failed), end; !failed && it != end; it.increment(failed)) {
            const fs::path& each = it->path();
            if (each.filename().string().starts_with('.')) continue;
            std::error_code unknown;
            const auto status = it->status(unknown);
            if (fs::is_directory(status)) {
                // What links elsewhere may lead in a circle.
                if (!wanted_.isRecursive)
                    ++folders_;
                else if (!it->is_symlink(unknown))
                    below.push_back(each);
            } else if (!isReadableName(each)) {
                const std::string kind = lowerCase(each.extension().string());
                if (kind != ".bgrade") ++others_[kind];
            } else if (!isLike(each.filename().string())) {
                ++unlike_;
            } else if (isOut && isOwnWork(each)) {
                ++results_;
            } else if (!fs::exists(status) || fs::is_regular_file(status)) { // a link to nothing says so when read
                pictures_.push_back(each);
            }
        }
        if (failed)
            throw Error(folder.string(), "", "cannot read the folder: " + failed.message(),
                        "check its name and permissions");
        for (const fs::path& each : below) look(each);
    }

    bool isLike(const std::string& name) const {
        return wanted_.only.empty() ||
               std::any_of(wanted_.only.begin(), wanted_.only.end(), [&name](const std::string& pattern) {
                   return ::fnmatch(pattern.c_str(), name.c_str(), FNM_CASEFOLD) == 0;
               });
    }

    fs::path folder_;
    const PicturesWanted& wanted_;
    std::vector<fs::path> pictures_;
    std::map<std::string, std::size_t> others_; ///< by their ending
    std::size_t folders_ = 0, results_ = 0, pairs_ = 0, unlike_ = 0;
};

} // namespace

void addPicturesWanted(CLI::App& command, PicturesWanted& wanted) {
    command.add_flag("--recursive", wanted.isRecursive, "Take the folders below folders, too");
    command
        .add_option("--only", wanted.only,
                    "Of folders, take only files with such names: \"cart-*\", \"*.dng\". May be given again")
        ->type_name("PATTERN")
        ->expected(1)
        ->take_all()
        ->allow_extra_args(false);
    command.add_flag("--both-of-pairs", wanted.bothOfPairs,
                     "Of a folder, take a JPEG too where a raw file of the same name lies beside it");
    command
        .add_option("--files-from", wanted.listFile,
                    "Take further names from this file, each ended by NUL; - for standard input")
        ->type_name("FILE");
    command.add_option("pictures", wanted.names, "Pictures and folders of pictures")->type_name("PICTURE|FOLDER");
}

PicturesFound collectPictures(const PicturesWanted& wanted) {
    PicturesFound found;
    std::set<FileIdentity> known;
    const auto add = [&](const fs::path& file) {
        const auto identity = identityOf(file);
        if (!identity || known.insert(*identity).second) found.pictures.push_back(file);
    };
    std::vector<std::string> names = wanted.names;
    if (!wanted.listFile.empty())
        for (std::string& name : namesIn(wanted.listFile)) names.push_back(std::move(name));
    for (const std::string& name : names) {
        std::error_code ignored;
        if (!fs::is_directory(name, ignored)) {
            add(name);
            continue;
        }
        try {
            const Folder folder(name, wanted);
            if (const std::string text = folder.passedOver(); !text.empty()) found.remarks.push_back(text);
            if (folder.pictures().empty())
                throw Error(name, "",
                            wanted.only.empty()
                                ? "the folder holds no raw file, JPEG, PNG, TIFF, WebP or AVIF picture"
                                : "the folder holds no picture with such a name",
                            wanted.only.empty() ? "choose another folder" : "write --only otherwise");
            for (const fs::path& file : folder.pictures()) add(file);
        } catch (const Error& e) {
            std::cerr << e.what() << '\n';
            found.someFailed = true;
        }
    }
    return found;
}

} // namespace baryton
