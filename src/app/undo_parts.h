#pragma once
#include "app/picture_set.h"
#include "app/preset_library.h"
#include "app/undo_history.h"

namespace baryton {

/// One picture's share of a step of the grades and takes.
class WorkPart : public UndoPart {
public:
    WorkPart(PictureSet& pictures, int index, PictureWork before, PictureWork after)
        : UndoPart(index), pictures_(pictures), before_(std::move(before)), after_(std::move(after)) {}

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
        pictures_.setWork(subject(), work);
        return true;
    }

    PictureSet& pictures_;
    PictureWork before_, after_;
};

/// Lets a step be undone from where its subject is looked at, and changes nothing there.
class AlsoReached : public UndoPart {
public:
    using UndoPart::UndoPart;
    bool undo() override { return true; }
    bool redo() override { return true; }
};

/// One change of the preset files.
class LibraryPart : public UndoPart {
public:
    LibraryPart(PresetLibrary& library, LibraryEdit edit)
        : UndoPart(kLibrarySubject), library_(library), edit_(std::move(edit)) {}

    bool undo() override {
        return library_.change([&] { revert(edit_); });
    }
    bool redo() override {
        return library_.change([&] { perform(edit_); });
    }

private:
    PresetLibrary& library_;
    LibraryEdit edit_;
};

} // namespace baryton
