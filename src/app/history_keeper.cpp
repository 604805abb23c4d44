#include "app/history_keeper.h"
#include "app/behind.h"
#include "app/undo_parts.h"
#include "base/error.h"
#include "package/history_store.h"

#include <utility>

namespace baryton {

HistoryKeeper::HistoryKeeper(PictureSet& pictures, UndoHistory& undo, QObject* parent)
    : QObject(parent), pictures_(pictures), undo_(undo) {
    timer_.setSingleShot(true);
    timer_.setInterval(3000);
    writer_.setMaxThreadCount(1);
    connect(&timer_, &QTimer::timeout, this, &HistoryKeeper::store);
    connect(&pictures_, &PictureSet::gradeChanged, this, [this](int index) {
        if (recalled_.contains(index)) changed_.insert(index), timer_.start();
    });
}

void HistoryKeeper::recall(int index) {
    if (!recalled_.insert(index).second) return;
    const OpenPicture& picture = pictures_.at(index);
    try {
        for (KeptStep& step : loadHistory(picture.file, picture.work)) {
            std::vector<std::unique_ptr<UndoPart>> parts;
            parts.push_back(
                std::make_unique<WorkPart>(pictures_, index, std::move(step.before), std::move(step.after)));
            undo_.push(QString::fromStdString(step.text), std::move(parts));
        }
    } catch (const Error& e) {
        Q_EMIT problem(QString::fromStdString(e.what()));
    }
}

void HistoryKeeper::store() {
    for (const int index : std::exchange(changed_, {})) {
        std::vector<KeptStep> steps;
        for (const auto& entry : undo_.entriesOf(index))
            if (const auto* part = dynamic_cast<const WorkPart*>(entry.part); part && entry.isDone)
                steps.push_back({entry.text.toStdString(), part->before(), part->after()});
        runBehind(writer_, [this, picture = pictures_.at(index).file, steps = std::move(steps)] {
            try {
                storeHistory(picture, steps);
            } catch (const Error& e) {
                tellWindow(this, [this, text = QString::fromStdString(e.what())] { Q_EMIT problem(text); });
            }
        });
    }
}

void HistoryKeeper::keep() {
    timer_.stop();
    store();
    waitFor(writer_);
}

void HistoryKeeper::forget() {
    recalled_.clear();
    changed_.clear();
}

} // namespace baryton
