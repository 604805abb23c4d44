#pragma once
#include "app/read_for_viewer.h"
#include "base/task.h"
#include "grade/takes.h"
#include "picture/own_pixels.h"
#include "picture/picture_file.h"
#include "picture/raw_file.h"
#include "picture/small_picture.h"
#include "render/view.h"
#include "stages/raw.h"
#include "stages/source.h"

#include <QImage>
#include <QObject>
#include <QThreadPool>
#include <QTimer>
#include <atomic>
#include <deque>
#include <filesystem>
#include <functional>
#include <map>
#include <memory>
#include <optional>
#include <set>
#include <vector>

namespace baryton {

/// One picture of the set.
struct OpenPicture {
    std::filesystem::path file;
    QString name() const { return QString::fromStdString(file.filename().string()); }
    PictureWork work;
    PictureWork start;   ///< what it starts from when nothing was done to it: always there to go back to
    Grade opened;        ///< the grade as the picture was opened with it
    Picture small;       ///< the source at kSmallSide; empty until it has been read, and when others took its place
    Picture framedSmall; ///< the same in its frame, as it was when it was last asked for
    Geometry framedFor;
    Shot shot;                    ///< unknown until anything of the file has been read
    QImage thumbnail;             ///< graded
    QString error;                ///< why it can't be shown; empty when all is well
    bool isNew = false;           ///< there was no grade for it when it was opened
    PictureSize size;             ///< of the file, known with the shot
    FileState state;              ///< of the file when that was read
    bool mayBeKnown = true;       ///< its thumbnail may lie on the disk, drawn before
    bool gradeUnreadable = false; ///< the grade file was not understood: set aside before it is written again
};

/// The pictures opened together, each with its grade. Thumbnails and pictures are read behind the window, grades are
/// written there shortly after each change. Files of pictures are only read.
class PictureSet : public QObject {
    Q_OBJECT
public:
    explicit PictureSet(QObject* parent = nullptr);
    ~PictureSet() override;

    /// What a picture without a grade starts from. Called with its file and its camera ("maker model"; empty when
    /// `byCamera` is false, and then at once as the set opens).
    using Start = std::function<PictureWork(const std::filesystem::path& file, const std::string& camera)>;
    void setStart(Start start, bool byCamera) { start_ = std::move(start), startByCamera_ = byCamera; }

    /// Whether a raw file and the JPEG beside it that has its name are one picture: the JPEG stays closed when their
    /// folder is opened.
    void setPairsAsOne(bool one) { pairsAsOne_ = one; }
    /// Opens files and folders in the order given; what was open is kept on disk and closed. What can't be opened is
    /// told by `problem`. False, and nothing changes, when no picture is found or grades are not on the disk yet.
    /// `inHand` is the picture that is shown first, where it is among them.
    bool open(const std::vector<std::filesystem::path>& filesAndFolders, const std::filesystem::path& inHand = {});
    /// Begins to read what `open` will show first.
    void readAhead(const std::filesystem::path& fileOrFolder, const std::filesystem::path& inHand);
    int first() const { return first_; } ///< the picture that is shown first
    int size() const { return static_cast<int>(pictures_.size()); }
    const OpenPicture& at(int index) const { return pictures_[static_cast<std::size_t>(index)]; }
    /// The folder's name, or that of the first picture's folder.
    QString name() const;

    void setWork(int index, const PictureWork& work);
    /// This picture's thumbnail is in sight: it is read before others.
    void want(int index);
    /// The source at kSmallSide, in its frame. Empty until it has been read; asking for one that was given up has it
    /// read again, and `thumbnailChanged` follows.
    Picture smallOf(int index);
    /// What is shown, as it is without a frame and with its lens; null where it is not read.
    std::shared_ptr<const Pyramid> wholeShown();
    /// The same as `smallOf` as it is in the file, without its frame.
    Picture wholeSmallOf(int index) { return smallOf(index).isEmpty() ? Picture() : at(index).small; }
    /// What the camera of a raw file says of its colours, and what makes the file's numbers a share of what its
    /// sensor takes; nothing of other files, and until it is read.
    std::shared_ptr<const RawPixels> rawOfPicture(int index) const;
    /// Its file, and how that becomes a picture.
    SourceFile sourceOf(int index) const;
    /// Draws every thumbnail anew: what they are seen through has changed.
    void redrawAll();
    /// How much memory decoded pictures may take; the last one is always kept.
    void setKeptBytes(std::size_t bytes) { keptBytes_ = bytes; }
    /// Reads a picture for the viewer; `loaded` follows, at once when it is kept in memory. Of a large picture a
    /// stand-in comes first.
    void load(int index);
    /// What the file of a picture says of how it was taken; nothing until it has been read.
    const Shot& shotOf(int index) const { return at(index).shot; }
    /// While the frame itself is worked on, the picture comes without it.
    void setShowsWhole(bool whole);
    /// Writes every grade that is not yet on disk, and waits for it; false when some could not be written. They are
    /// tried again every few seconds.
    bool flush();
    int unsavedCount() const { return static_cast<int>(unsaved_.size()); }

Q_SIGNALS:
    void opened();
    void gradeChanged(int index);
    void thumbnailChanged(int index);
    void loaded(int index, const baryton::LoadedPicture& picture);
    void loadFailed(int index, const QString& message);
    void problem(const QString& message);
    void said(const QString& message); ///< worth knowing, and no problem

private:
    void startByCamera(int index);
    void readNext();
    void readSmall(int index);
    void noteShape(int index, int width, int height);
    void takeSmall(int index, const Picture& small, const QString& error);
    /// The thumbnail of a picture as it was drawn before, its small version left on the disk until it is asked for.
    void takeKnown(int index, const KnownPicture& known, const QImage& thumbnail);
    void takeFacts(int index, const Shot& shot, const PictureSize& size, const FileState& state);
    void takeLoaded(int index, const LoadedPicture& whole, const Picture& small, const QString& message);
    /// Tells of a picture that is kept, in the frame that it has now.
    void showKept();
    void geometryChanged(int index);
    /// What a picture's grade says now; without the frame while that is worked on.
    Geometry geometryNow(int index) const;
    Picture framedSmall(int index);
    void rawChanged(int index);
    void developQuickly();
    void developWhole();
    void drawThumbnail(int index);
    void store(int index);
    void takeStored(int index, bool isStored);
    /// The grade file of a picture when it no longer holds what was read or written here.
    std::optional<std::filesystem::path> changedBehindUs(const std::filesystem::path& picture) const;
    void storePending();

    std::vector<OpenPicture> pictures_;
    Start start_;
    bool startByCamera_ = false;
    int generation_ = 0; ///< counts the sets, so that what comes late from an old one is dropped
    /// A decoded picture, and the same in its frame.
    struct Kept {
        int index = 0;
        LoadedPicture whole;
        Geometry geometry;
        std::shared_ptr<const Pyramid> framed;
        std::size_t bytes() const {
            return whole.pyramid->bytes() + (framed ? framed->bytes() : 0) + (whole.raw ? whole.raw->bytes() : 0);
        }
    };
    void dropKept();
    Kept* keptShown();
    void read(int index, bool withPreview);
    std::vector<Kept> kept_; ///< last used first
    bool showsWhole_ = false;
    int wishes_ = 0, wishShown_ = 0; ///< of places: counted, and which of them was shown last
    std::shared_ptr<Task> placing_;  ///< the last placing of a whole picture: not finished when another is wanted
    std::set<int> remarked_;         ///< pictures of which it was told what of their files was not taken
    std::unique_ptr<ReadAhead> ahead_;
    int first_ = 0;
    int shown_ = -1; ///< which one the viewer asked for last
    std::size_t keptBytes_ = std::size_t(900) << 20;
    std::set<int> unsaved_, undrawn_, unread_;
    std::deque<int> wanted_;        ///< in sight and not yet read, longest asked for first
    std::deque<int> smalls_;        ///< whose small versions are held, oldest first
    int reading_ = 0, loading_ = 0; ///< how many are read just now: small versions, pictures for the viewer
    /// What grade files held when they were read, and when they were last written; after opening only the writer
    /// touches them.
    std::map<std::filesystem::path, std::string> readHashes_, written_;
    std::atomic<bool> toldElsewhere_ = false;
    bool pairsAsOne_ = true;
    bool isDeveloping_ = false, developsAgain_ = false; ///< a quick look at other settings of a raw file is under way
    std::set<int> smallsDue_;                           ///< of raw files whose settings have changed
    QTimer storeTimer_, retryTimer_, developTimer_;
    bool isFailing_ = false; ///< the last grades could not be written, which has been told
    SmallStore onDisk_;      ///< keeps small versions of all sets
    QThreadPool readers_, writer_;
};

} // namespace baryton
