#pragma once
#include "grade/picture_content.h"
#include "stages/blend.h"

#include <QImage>
#include <QObject>
#include <QThreadPool>
#include <filesystem>
#include <functional>

namespace baryton {

/// Reads picture files that grades are to carry, behind the window.
class CarriedFiles : public QObject {
    Q_OBJECT
public:
    ~CarriedFiles() override;
    struct Result {
        PictureContent picture; ///< without content where it can't be read
        BlendMode blend{};      ///< that it is likely to be meant for
        QStringList remarks;    ///< what is to be told of it
        QString problem;        ///< why it can't
    };
    /// Calls `take` in the window's thread, unless `who` is gone by then.
    void read(const std::filesystem::path& file, QObject* who, const std::function<void(const Result&)>& take);

private:
    QThreadPool reader_;
};

/// A carried picture at a size that fits into a square; the last few are kept. A null image where it can't be
/// decoded.
QImage carriedThumbnail(const PictureContent& picture, int side);

} // namespace baryton
