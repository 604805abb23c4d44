#pragma once
#include <QKeySequence>
#include <QString>
#include <algorithm>
#include <vector>

namespace baryton {

/// What the menus, the keys and "Find anything" can ask of the window.
enum class Command {
    OpenFolder,
    OpenFiles,
    SavePreset,
    ExportLut,
    WritePicture,
    OpenWith,
    ImportFiles,
    LearnLut,
    ExportPack,
    ExportLuts,
    EmptyDeleted,
    Preferences,
    Quit,
    Undo,
    Redo,
    CopyGrade,
    PasteGrade,
    PasteTicked,
    FindAnything,
    ResetStage,
    ResetLayer,
    ResetPrep,
    ResetLook,
    ResetFinish,
    ResetPicture,
    NextPicture,
    PreviousPicture,
    ChooseAll,
    EditsAll,
    KeepTake,
    TakesAndSteps,
    ReferencePicture,
    SamplePoints,
    StartOfNew,
    SurveySet,
    MatchSet,
    AddStage,
    AddLayer,
    WorkOnPicture,
    ShowAlone,
    ShowMask,
    WithoutMasked,
    DuplicateStage,
    DeleteStage,
    StageEarlier,
    StageLater,
    BringGiven,
    TaskGrade,
    TaskPackage,
    TaskBatch,
    HoldBefore,
    Wipe,
    WipeAcross,
    Beside,
    Grid,
    ClipMarks,
    SoftProof,
    SoftProofAs,
    FitWindow,
    FullSize,
    DoubleSize,
    ZoomIn,
    ZoomOut,
    Shelf,
    Panels,
    FullScreen,
    SecondWindow,
    WhatIsThis,
    ShowGuide,
    ShowKeys,
    ShowAbout
};

/// One command with its key; the one table of them all (menus, Help and docs/keys.md come from it).
struct KeyCommand {
    enum class Trait {
        StartsGroup, ///< a line stands above it in its menu
        IsOnOrOff    ///< it carries a tick
    };
    Command command;
    const char* menu; ///< the menu it stands in
    const char* text; ///< as in the menu
    const char* key;  ///< portable text; empty for none
    std::vector<Trait> traits{};

    bool has(Trait trait) const { return std::find(traits.begin(), traits.end(), trait) != traits.end(); }
};

const std::vector<KeyCommand>& keyCommands();

/// A text of these tables in the language of the interface.
QString keyText(const char* english);

/// Keys that act on what has the focus, for Help: what and how.
const std::vector<std::pair<const char*, const char*>>& focusKeys();

} // namespace baryton
