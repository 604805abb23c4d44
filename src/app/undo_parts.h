#pragma once
#include "app/app_state.h"

namespace baryton {

/// One picture's share of a step of the grades and takes.
class WorkPart : public UndoPart {
public:
    WorkPart(AppState& state, int index, PictureWork before, PictureWork after)
        : UndoPart(index), state_(state), before_(std::move(before)), after_(std::move(after)) {}

    const PictureWork& before() const { return before_; }
    const PictureWork& after() const { return after_; }

    bool undo() override { return put(before_); }
    bool redo() override { return put(after_); }
    bool mergeWith(const UndoPart& next) override {
        const auto* same = dynamic_cast<const WorkPart*>(&next);
        if (same) after_ = same->after_;
        return same;
    }
    bool changesNothing() const override { return before_ == after_; }

private:
    bool put(const PictureWork& work) {
        state_.pictures_.setWork(subject(), work);
        return true;
    }

    AppState& state_;
    PictureWork before_, after_;
};

/// One change of the preset files.
class LibraryPart : public UndoPart {
public:
    LibraryPart(AppState& state, LibraryEdit edit)
        : UndoPart(kLibrarySubject), state_(state), edit_(std::move(edit)) {}

    bool undo() override {
        return state_.changeFiles([&] { revert(edit_); });
    }
    bool redo() override {
        return state_.changeFiles([&] { perform(edit_); });
    }

private:
    AppState& state_;
    LibraryEdit edit_;
};

} // namespace baryton
