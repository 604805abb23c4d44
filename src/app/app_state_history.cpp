// The steps of each picture over a restart.
#include "app/undo_parts.h"
#include "base/error.h"
#include "package/history_store.h"

namespace baryton {

void AppState::recallHistory(int index) {
    if (!recalled_.insert(index).second) return;
    const OpenPicture& picture = pictures_.at(index);
    try {
        for (KeptStep& step : loadHistory(picture.file, picture.work)) {
            UndoParts parts;
            parts.push_back(std::make_unique<WorkPart>(*this, index, std::move(step.before), std::move(step.after)));
            undo_.push(QString::fromStdString(step.text), std::move(parts));
        }
    } catch (const Error& e) {
        tell(QString::fromStdString(e.what()), true);
    }
}

void AppState::storeHistories() {
    for (const int index : std::exchange(historyChanged_, {})) {
        std::vector<KeptStep> steps;
        for (const auto& entry : undo_.entriesOf(index))
            if (const auto* part = dynamic_cast<const WorkPart*>(entry.part); part && entry.isDone)
                steps.push_back({entry.text.toStdString(), part->before(), part->after()});
        historyWriter_.start([this, picture = pictures_.at(index).file, steps = std::move(steps)] {
            try {
                storeHistory(picture, steps);
            } catch (const Error& e) {
                QMetaObject::invokeMethod(this,
                                          [this, text = QString::fromStdString(e.what())] { tell(text, true); });
            }
        });
    }
}

void AppState::keepHistories() {
    historyTimer_.stop();
    storeHistories();
    historyWriter_.waitForDone();
}

} // namespace baryton
