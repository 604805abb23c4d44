#include "app/preset_library.h"
#include "app/behind.h"
#include "base/error.h"
#include "edits/in_force.h"
#include "stages/stage_type.h"

#include <algorithm>
#include <set>
#include <utility>

namespace baryton {

PresetLibrary::PresetLibrary(std::filesystem::path root, QObject* parent) : QObject(parent), files_(std::move(root)) {
    watchTimer_.setSingleShot(true);
    watchTimer_.setInterval(200); // files come in bursts
    connect(&watcher_, &QFileSystemWatcher::directoryChanged, &watchTimer_, qOverload<>(&QTimer::start));
    connect(&watchTimer_, &QTimer::timeout, this, &PresetLibrary::look);
}

PresetLibrary::~PresetLibrary() {
    waitFor(reader_);
}

const LibraryEntry* PresetLibrary::entry(const std::string& item) const {
    for (const LibraryEntry& each : entries_)
        if (each.item() == item) return &each;
    return nullptr;
}

const LibraryEntry* PresetLibrary::sourceOf(const InForce& inForce) const {
    for (const LibraryEntry& each : entries_)
        if (each.preset && each.kind == LibraryEntry::Kind::Preset && each.name == inForce.preset.name) return &each;
    return nullptr;
}

void PresetLibrary::look() {
    const auto now = files_.entries(Library::Luts::Pending);
    const auto same = [](const LibraryEntry& a, const LibraryEntry& b) {
        return a.file == b.file && (a.contentId == b.contentId || a.isPending || b.isPending);
    };
    if (!std::equal(now.begin(), now.end(), entries_.begin(), entries_.end(), same) || files_.groups() != groups_ ||
        !(files_.index() == index_))
        reload();
}

void PresetLibrary::watch() {
    QStringList folders{QString::fromStdString(files_.root().string())};
    for (const auto& group : files_.groups())
        folders.append(QString::fromStdString((files_.root() / group).string()));
    const QStringList watched = watcher_.directories();
    for (const QString& folder : folders)
        if (!watched.contains(folder) && std::filesystem::is_directory(folder.toStdString()))
            watcher_.addPath(folder);
}

void PresetLibrary::noteAdded(const std::vector<LibraryEntry>& before) {
    if (before.empty()) return; // all are new then
    std::set<std::filesystem::path> known;
    for (const LibraryEntry& each : before) known.insert(each.file);
    std::vector<std::filesystem::path> added;
    for (const LibraryEntry& each : entries_)
        if (!known.contains(each.file)) added.push_back(each.file);
    if (added.size() == 1) addedLast_ = added.front();
}

void PresetLibrary::reload() {
    ++looks_;
    std::string error;
    index_ = files_.index(&error);
    if (error != toldIndexError_ && !error.empty()) Q_EMIT problem(QString::fromStdString(error));
    toldIndexError_ = error;
    const auto before = std::exchange(entries_, files_.entries(Library::Luts::Pending));
    noteAdded(before);
    groups_ = files_.groups();
    watch();
    Q_EMIT changed();
    if (std::none_of(entries_.begin(), entries_.end(), [](const LibraryEntry& e) { return e.isPending; })) return;
    runBehind(reader_, [this, look = looks_] {
        auto read = files_.entries(Library::Luts::Read);
        tellWindow(this, [this, look, read = std::move(read)] {
            if (look != looks_) return; // what was read then may be gone: the later look has its own reading
            entries_ = read;
            Q_EMIT changed();
        });
    });
}

bool PresetLibrary::change(const std::function<void()>& what) {
    bool done = true;
    try {
        what();
    } catch (const Error& e) {
        done = false;
        Q_EMIT problem(QString::fromStdString(e.what()));
    }
    reload();
    return done;
}

PictureWork PresetLibrary::startOf(const std::filesystem::path& file, const std::string& camera) {
    PictureWork work{startingGrade(), {}, kStartTake, {}};
    std::string type = file.extension().string();
    if (!type.empty()) type = QString::fromStdString(type.substr(1)).toLower().toStdString();
    const std::string item = index_.startFor(camera, type);
    const LibraryEntry* wanted = item.empty() ? nullptr : entry(item);
    if (wanted && wanted->preset) return withPreset(work, *wanted->preset, ApplyMode::Set);
    if (!item.empty() && item != toldStart_) {
        toldStart_ = item;
        Q_EMIT problem(tr("New pictures are to start from %1, but it is not in the library. They start neutral.")
                           .arg(QString::fromStdString(item)));
    }
    return work;
}

} // namespace baryton
