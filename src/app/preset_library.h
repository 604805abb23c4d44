#pragma once
#include "grade/takes.h"
#include "package/library.h"

#include <QFileSystemWatcher>
#include <QObject>
#include <QThreadPool>
#include <QTimer>
#include <functional>

namespace baryton {

/// The presets and LUTs of the library, as read from disk when they last changed: by the program, or by hand in its
/// folders, which are watched. LUT files are read behind the window: until then they are pending, and `changed`
/// follows.
class PresetLibrary : public QObject {
    Q_OBJECT
public:
    explicit PresetLibrary(std::filesystem::path root, QObject* parent = nullptr);
    ~PresetLibrary() override;

    const Library& files() const { return files_; }
    const std::vector<LibraryEntry>& entries() const { return entries_; }
    const LibraryIndex& index() const { return index_; }
    /// The entry of that name in the index; null when there is none.
    const LibraryEntry* entry(const std::string& item) const;
    /// The preset that one in force came from, by name; null when there is none any more.
    const LibraryEntry* sourceOf(const InForce& inForce) const;
    /// What a picture without a grade starts from, by its camera and kind of file.
    PictureWork startOf(const std::filesystem::path& file, const std::string& camera);

    /// What was added last while the program ran, alone: usually the preset just saved. Empty before.
    const std::filesystem::path& addedLast() const { return addedLast_; }

    void reload();
    /// Does something to the files and reads them again. False, and the problem is told, when it throws Error.
    bool change(const std::function<void()>& what);

Q_SIGNALS:
    void changed();
    void problem(const QString& text);

private:
    void look();
    void watch();
    void noteAdded(const std::vector<LibraryEntry>& before);

    Library files_;
    std::vector<LibraryEntry> entries_;
    LibraryIndex index_;
    std::vector<std::string> groups_;
    std::filesystem::path addedLast_;
    int looks_ = 0; ///< counts them, so that what comes late from an old one is dropped
    std::string toldIndexError_, toldStart_;
    QThreadPool reader_; ///< of LUT files
    QFileSystemWatcher watcher_;
    QTimer watchTimer_;
};

} // namespace baryton
