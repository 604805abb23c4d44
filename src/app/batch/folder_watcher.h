#pragma once
#include "batch/watched_folder.h"

#include <QObject>
#include <QThreadPool>
#include <memory>

namespace baryton {

/// A folder that is watched behind the window: what arrives in it is made, beside whatever else runs.
class FolderWatcher : public QObject {
    Q_OBJECT
public:
    /// Throws Error as WatchedFolder does.
    FolderWatcher(NamedPlan plan, const std::filesystem::path& folder, QObject* parent = nullptr);
    ~FolderWatcher() override;

    /// A file that was made, or was not.
    struct Made {
        std::filesystem::path picture;
        BatchJob job;
    };
    const std::vector<Made>& made() const { return made_; }
    std::size_t doneCount() const;
    const std::filesystem::path& folder() const { return folder_; }
    const std::filesystem::path& target() const { return target_; }
    /// "arrivals: 3 files made, 1 failed".
    QString progressText() const;

Q_SIGNALS:
    void changed(); ///< a file came to its end
    void problem(const QString& text);
    void ended(); ///< the folder can't be read any more

private:
    void look();
    std::shared_ptr<WatchedFolder> watched_;
    std::filesystem::path folder_, target_;
    std::vector<Made> made_;
    std::shared_ptr<Task> task_ = std::make_shared<Task>();
    QThreadPool pool_;
};

} // namespace baryton
