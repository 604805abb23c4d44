#pragma once
#include "app/batch/folder_watcher.h"
#include "app/widgets/sheet.h"

#include <QListWidget>

namespace baryton {

/// What a watched folder has brought: the files made of it, the last first. Closed, the watching goes on.
class WatchSheet : public Sheet {
    Q_OBJECT
public:
    WatchSheet(FolderWatcher& watcher, QWidget* parent);
    ~WatchSheet() override;

Q_SIGNALS:
    void stopWanted();

private:
    void showMade();
    void readPicture(const std::filesystem::path& file, QListWidgetItem* item);
    FolderWatcher& watcher_;
    QLabel* counts_;
    QListWidget* list_;
    std::size_t shown_ = 0; ///< how many of the files are in the list
    QThreadPool pool_;
};

} // namespace baryton
