#include "app/undo_history.h"

#include <algorithm>

namespace baryton {

void UndoHistory::push(const QString& text, std::vector<std::unique_ptr<UndoPart>> parts, int gesture) {
    if (parts.empty()) return;
    for (Step& step : steps_)
        std::erase_if(step.parts, [&](const auto& part) {
            return !part->isDone_ && std::any_of(parts.begin(), parts.end(), [&](const auto& fresh) {
                return fresh->subject() == part->subject();
            });
        });
    forgetEmpty();
    const bool continues =
        gesture > 0 && !steps_.empty() && steps_.back().gesture == gesture &&
        std::all_of(steps_.back().parts.begin(), steps_.back().parts.end(), [](const auto& p) { return p->isDone_; });
    if (!continues) {
        steps_.push_back({text, gesture, std::move(parts)});
        if (steps_.size() > kMostSteps) steps_.erase(steps_.begin());
        return touch();
    }
    Step& last = steps_.back();
    last.text = text;
    for (auto& fresh : parts) {
        const auto same = std::find_if(last.parts.begin(), last.parts.end(), [&](const auto& part) {
            return part->subject() == fresh->subject() && part->mergeWith(*fresh);
        });
        if (same == last.parts.end()) last.parts.push_back(std::move(fresh));
    }
    std::erase_if(last.parts, [](const auto& part) { return part->changesNothing(); });
    forgetEmpty();
    touch();
}

void UndoHistory::clear() {
    steps_.clear();
    touch();
}

void UndoHistory::forgetEmpty() {
    std::erase_if(steps_, [](const Step& step) { return step.parts.empty(); });
}

void UndoHistory::touch() {
    ++revision_;
    Q_EMIT changed();
}

std::size_t UndoHistory::next(const Scope& scope, bool undoing) const {
    const auto matches = [&](const Step& step) {
        return std::any_of(step.parts.begin(), step.parts.end(), [&](const auto& part) {
            return part->isDone_ == undoing && scope.contains(part->subject());
        });
    };
    if (!undoing)
        return static_cast<std::size_t>(std::find_if(steps_.begin(), steps_.end(), matches) - steps_.begin());
    for (std::size_t i = steps_.size(); i-- > 0;)
        if (matches(steps_[i])) return i;
    return steps_.size();
}

bool UndoHistory::isNextFor(const UndoPart& part, std::size_t place, bool undoing) const {
    return part.isDone_ == undoing && next({part.subject()}, undoing) == place;
}

int UndoHistory::go(const Scope& scope, bool undoing) {
    const std::size_t place = next(scope, undoing);
    if (place == steps_.size()) return -1;
    // First all are asked, then all go: going changes the answers.
    std::vector<UndoPart*> going;
    int kept = 0;
    for (const auto& part : steps_[place].parts) {
        if (isNextFor(*part, place, undoing))
            going.push_back(part.get());
        else
            kept += part->isDone_ == undoing;
    }
    std::set<const UndoPart*> failed;
    for (UndoPart* part : going) {
        const bool could = undoing ? part->undo() : part->redo();
        part->isDone_ = !undoing;
        if (!could) failed.insert(part);
    }
    std::erase_if(steps_[place].parts, [&](const auto& part) { return failed.contains(part.get()); });
    forgetEmpty();
    touch();
    return kept;
}

int UndoHistory::undo(const Scope& scope) {
    return go(scope, true);
}

int UndoHistory::redo(const Scope& scope) {
    return go(scope, false);
}

int UndoHistory::keepOnly(UndoSubject subject, const QString& text) {
    if (steps_.empty()) return 0;
    Step& last = steps_.back();
    const auto isKept = [subject](const auto& part) { return part->subject() == subject; };
    if (std::none_of(last.parts.begin(), last.parts.end(), isKept)) return 0;
    int others = 0;
    for (const auto& part : last.parts)
        if (!isKept(part) && part->isDone_) {
            part->undo();
            ++others;
        }
    std::erase_if(last.parts, [&](const auto& part) { return !isKept(part); });
    last.text = text;
    touch();
    return others;
}

void UndoHistory::takeBack(int gesture) {
    if (gesture == 0 || steps_.empty() || steps_.back().gesture != gesture) return;
    const Step gone = std::move(steps_.back());
    steps_.pop_back();
    for (const auto& part : gone.parts)
        if (part->isDone_) part->undo();
    touch();
}

QString UndoHistory::undoText(const Scope& scope) const {
    const std::size_t place = next(scope, true);
    return place < steps_.size() ? steps_[place].text : QString();
}

QString UndoHistory::redoText(const Scope& scope) const {
    const std::size_t place = next(scope, false);
    return place < steps_.size() ? steps_[place].text : QString();
}

std::vector<UndoHistory::Entry> UndoHistory::entriesOf(UndoSubject subject) const {
    std::vector<Entry> entries;
    for (const Step& step : steps_)
        for (const auto& part : step.parts)
            if (part->subject() == subject) entries.push_back({step.text, part.get(), part->isDone_, step.gesture});
    return entries;
}

} // namespace baryton
