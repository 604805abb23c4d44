#pragma once
#include "package/pack.h"

namespace baryton {

/// One file that was offered to the library, and what is to become of it.
struct ImportItem {
    enum class State {
        New,       ///< the library has nothing of this name there
        Same,      ///< the library has just this, there or elsewhere: see `reason`
        Differing, ///< the library has something else of this name
        Twice,     ///< a LUT that comes in another format as well, which is kept
        Refused,   ///< a preset or LUT that can't be read: see `reason`
        Foreign,   ///< nothing that Baryton knows: see `reason`
    };
    enum class Choice { Add, KeepBoth, Replace, LeaveOut };

    std::string path; ///< as offered: within the archive or folder
    std::string group, name;
    LibraryEntry::Kind kind = LibraryEntry::Kind::Preset;
    State state = State::New;
    Choice choice = Choice::Add;
    std::string reason;           ///< why it is refused, foreign, or left out; of a picture's LUT what it is
    std::string bytes;            ///< what would be written; empty for what can't be added
    std::optional<Preset> preset; ///< to show it; of LUTs too
};

/// What an import would do, before it does anything.
struct ImportAccount {
    PackInfo info; ///< of a pack; of others the name alone
    std::vector<ImportItem> items;

    std::size_t count(ImportItem::State state) const;
};

/// The account of files offered to the library: packs, zip archives, folders, presets, LUT files and pictures that
/// are LUTs (lutInPicture), in any mixture. New items are to be added, differing ones kept beside what is there.
/// Folders within archives become groups; what lies at the top of one goes into a group of the archive's name. Throws
/// Error naming the file for archives that are damaged or not to be trusted (see readZip).
ImportAccount accountOfImport(const std::vector<std::filesystem::path>& files, const Library& library);

/// Puts the presets that come with the program into a library that has no index yet, that is, once. False when there
/// was nothing to do. Throws Error when the library can't be written.
bool giveFirstPresets(const Library& library, const std::filesystem::path& given);

/// The edit that adds what the account's choices say, as one step.
LibraryEdit importEdit(const ImportAccount& account, const Library& library);

} // namespace baryton
