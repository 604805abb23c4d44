#pragma once
#include "app/picture_set.h"
#include "app/undo_history.h"

#include <QThreadPool>
#include <QTimer>
#include <set>

namespace baryton {

/// The steps of each picture over a restart: they are written behind the window shortly after a change, and come back
/// when the picture is taken up again (see package/history_store.h).
class HistoryKeeper : public QObject {
    Q_OBJECT
public:
    HistoryKeeper(PictureSet& pictures, UndoHistory& undo, QObject* parent = nullptr);

    /// What was done to a picture at an earlier start becomes the first of its steps, once.
    void recall(int index);
    /// Writes the steps of pictures that were changed since. Returns when they are on the disk.
    void keep();
    /// Another set is open.
    void forget();

Q_SIGNALS:
    void problem(const QString& text);

private:
    void store();

    PictureSet& pictures_;
    UndoHistory& undo_;
    std::set<int> recalled_, changed_; ///< pictures
    QTimer timer_;
    QThreadPool writer_;
};

} // namespace baryton
