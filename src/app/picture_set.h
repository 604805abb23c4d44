#pragma once
#include "grade/grade.h"
#include "picture/picture_file.h"
#include "render/view.h"

#include <QImage>
#include <QObject>
#include <QThreadPool>
#include <QTimer>
#include <filesystem>
#include <memory>
#include <set>
#include <vector>

namespace baryton {

/// One picture of the set.
struct OpenPicture {
    std::filesystem::path file;
    Grade grade;
    Picture small;                ///< the source at kSmallSide; empty until it has been read
    QImage thumbnail;             ///< graded
    QString error;                ///< why it can't be shown; empty when all is well
    bool gradeUnreadable = false; ///< the grade file was not understood: set aside before it is written again
};

/// A picture decoded for the viewer.
struct LoadedPicture {
    std::shared_ptr<const Pyramid> pyramid;
    Metadata metadata;
};

/// The pictures opened together, each with its grade. Thumbnails and pictures are read behind the window, grades are
/// written there shortly after each change. Files of pictures are only read.
class PictureSet : public QObject {
    Q_OBJECT
public:
    static constexpr int kSmallSide = 480;

    explicit PictureSet(QObject* parent = nullptr);
    ~PictureSet() override;

    /// Opens files and folders in the order given; what was open is kept on disk and closed. What can't be opened is
    /// told by `problem`. Nothing changes when no picture is found.
    void open(const std::vector<std::filesystem::path>& filesAndFolders);
    int size() const { return static_cast<int>(pictures_.size()); }
    const OpenPicture& at(int index) const { return pictures_[static_cast<std::size_t>(index)]; }
    /// The folder's name, or that of the first picture's folder.
    QString name() const;

    void setGrade(int index, const Grade& grade);
    /// Reads a picture for the viewer; `loaded` follows, at once when it is kept in memory.
    void load(int index);
    /// Writes every grade that is not yet on disk, and waits for it.
    void flush();

Q_SIGNALS:
    void opened();
    void gradeChanged(int index);
    void thumbnailChanged(int index);
    void loaded(int index, const baryton::LoadedPicture& picture);
    void loadFailed(int index, const QString& message);
    void problem(const QString& message);

private:
    void readSmall(int index);
    void drawThumbnail(int index);
    void store(int index);
    void storePending();

    std::vector<OpenPicture> pictures_;
    int generation_ = 0; ///< counts the sets, so that what comes late from an old one is dropped
    std::vector<std::pair<int, LoadedPicture>> kept_; ///< last used first
    std::set<int> unsaved_, undrawn_;
    QTimer storeTimer_;
    QThreadPool readers_, writer_;
};

} // namespace baryton
