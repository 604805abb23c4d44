#include "app/keys.h"
#include "base/words.h"

#include <QCoreApplication>

namespace baryton {

const std::vector<KeyCommand>& keyCommands() {
    using enum KeyCommand::Trait;
    static const std::vector<KeyCommand> all = {
        {Command::OpenFolder, marked("File"), marked("Open folder…"), "Ctrl+O"},
        {Command::OpenFiles, marked("File"), marked("Open pictures…"), "Ctrl+Shift+O"},
        {Command::SavePreset, marked("File"), marked("Save preset…"), "Ctrl+S", {StartsGroup}},
        {Command::ExportLut, marked("File"), marked("Export LUT…"), "Ctrl+E"},
        {Command::WritePicture, marked("File"), marked("Write this picture…"), "Ctrl+Shift+E"},
        {Command::OpenWith, marked("File"), marked("Open this picture with…"), ""},
        {Command::ImportFiles, marked("File"), marked("Import presets and LUTs…"), "Ctrl+I", {StartsGroup}},
        {Command::LearnLut, marked("File"), marked("Learn a LUT…"), ""},
        {Command::ExportPack, marked("File"), marked("Export a pack…"), ""},
        {Command::ExportLuts, marked("File"), marked("Export presets as LUTs…"), ""},
        {Command::EmptyDeleted, marked("File"), marked("Empty what was deleted…"), ""},
        {Command::Preferences, marked("File"), marked("Preferences…"), "Ctrl+,", {StartsGroup}},
        {Command::Quit, marked("File"), marked("Quit"), "Ctrl+Q"},
        {Command::Undo, marked("Edit"), marked("Undo"), "Ctrl+Z"},
        {Command::Redo, marked("Edit"), marked("Redo"), "Ctrl+Shift+Z"},
        {Command::CopyGrade, marked("Edit"), marked("Copy the grade"), "Ctrl+C", {StartsGroup}},
        {Command::PasteGrade, marked("Edit"), marked("Paste to the chosen pictures"), "Ctrl+V"},
        {Command::PasteTicked, marked("Edit"), marked("Paste with ticks…"), "Ctrl+Shift+V"},
        {Command::FindAnything, marked("Edit"), marked("Find anything…"), "Ctrl+K"},
        {Command::ResetStage, marked("Edit"), marked("Reset the stage"), "Ctrl+R", {StartsGroup}},
        {Command::ResetLayer, marked("Edit"), marked("Reset the layer"), ""},
        {Command::ResetPrep, marked("Edit"), marked("Reset Prep"), ""},
        {Command::ResetLook, marked("Edit"), marked("Reset the Look"), ""},
        {Command::ResetFinish, marked("Edit"), marked("Reset Finish"), ""},
        {Command::ResetPicture, marked("Edit"), marked("Reset the picture"), "Ctrl+Shift+R"},
        {Command::NextPicture, marked("Picture"), marked("Next picture"), "Ctrl+Down"},
        {Command::PreviousPicture, marked("Picture"), marked("Previous picture"), "Ctrl+Up"},
        {Command::ChooseAll, marked("Picture"), marked("Choose all pictures"), "Ctrl+A", {StartsGroup}},
        {Command::EditsAll, marked("Picture"), marked("Edits go to all chosen"), "Ctrl+Shift+A", {IsOnOrOff}},
        {Command::KeepTake, marked("Picture"), marked("Keep a take"), "Ctrl+T", {StartsGroup}},
        {Command::TakesAndSteps, marked("Picture"), marked("Takes and steps"), "Ctrl+H", {IsOnOrOff}},
        {Command::ReferencePicture, marked("Picture"), marked("Reference picture…"), ""},
        {Command::SamplePoints, marked("Picture"), marked("Set sample points"), "S", {IsOnOrOff}},
        {Command::StartOfNew, marked("Picture"), marked("Start of new pictures…"), "", {StartsGroup}},
        {Command::SurveySet, marked("Picture"), marked("Survey the set"), "", {StartsGroup}},
        {Command::MatchSet, marked("Picture"), marked("Match the set's light"), ""},
        {Command::AddStage, marked("Look"), marked("Add a stage…"), "Ctrl+Shift+N"},
        {Command::AddLayer, marked("Look"), marked("Add a layer"), "Ctrl+Shift+L"},
        {Command::WorkOnPicture, marked("Look"), marked("Work on the picture"), "P", {StartsGroup, IsOnOrOff}},
        {Command::ShowAlone, marked("Look"), marked("Show the stage alone"), "O", {IsOnOrOff}},
        {Command::ShowMask, marked("Look"), marked("See the mask"), "K", {IsOnOrOff}},
        {Command::WithoutMasked, marked("Look"), marked("Without the masked layers"), "Shift+K", {IsOnOrOff}},
        {Command::DuplicateStage, marked("Look"), marked("Duplicate the stage"), "Ctrl+D"},
        {Command::DeleteStage, marked("Look"), marked("Delete the stage"), "Ctrl+Backspace"},
        {Command::StageEarlier, marked("Look"), marked("Move the stage earlier"), "Ctrl+Left"},
        {Command::StageLater, marked("Look"), marked("Move the stage later"), "Ctrl+Right"},
        {Command::BringGiven, marked("Look"), marked("Bring back Baryton's own presets…"), "", {StartsGroup}},
        {Command::TaskGrade, marked("View"), marked("Grade"), "Ctrl+1"},
        {Command::TaskPackage, marked("View"), marked("Package"), "Ctrl+2"},
        {Command::TaskBatch, marked("View"), marked("Batch"), "Ctrl+3"},
        {Command::HoldBefore, marked("View"), marked("Before, while held"), "B", {StartsGroup}},
        {Command::Wipe, marked("View"), marked("Wipe"), "W", {IsOnOrOff}},
        {Command::WipeAcross, marked("View"), marked("Wipe across"), "Shift+W", {IsOnOrOff}},
        {Command::Beside, marked("View"), marked("Beside"), "D", {IsOnOrOff}},
        {Command::Grid, marked("View"), marked("Grid of pictures"), "G", {IsOnOrOff}},
        {Command::ClipMarks, marked("View"), marked("Clip marks"), "C", {IsOnOrOff}},
        {Command::SoftProof, marked("View"), marked("Soft proof"), "Ctrl+Shift+P", {IsOnOrOff}},
        {Command::SoftProofAs, marked("View"), marked("Soft proof as…"), ""},
        {Command::FitWindow, marked("View"), marked("Fit the window"), "Ctrl+0", {StartsGroup}},
        {Command::FullSize, marked("View"), marked("Full size (100 %)"), "Ctrl+Alt+0"},
        {Command::DoubleSize, marked("View"), marked("Double size (200 %)"), ""},
        {Command::ZoomIn, marked("View"), marked("Larger"), "Ctrl++"},
        {Command::ZoomOut, marked("View"), marked("Smaller"), "Ctrl+-"},
        {Command::Shelf, marked("View"), marked("Shelf of presets"), "Ctrl+L", {StartsGroup, IsOnOrOff}},
        {Command::Panels, marked("View"), marked("Panels"), "F8", {IsOnOrOff}},
        {Command::FullScreen, marked("View"), marked("Full screen"), "F11"},
        {Command::SecondWindow, marked("View"), marked("Picture in a second window"), "F9", {IsOnOrOff}},
        {Command::WhatIsThis, marked("Help"), marked("What is this?"), "F1"},
        {Command::ShowGuide, marked("Help"), marked("Guide"), "Shift+F1", {IsOnOrOff}},
        {Command::ShowKeys, marked("Help"), marked("Keys…"), "Ctrl+F1", {StartsGroup}},
        {Command::ShowAbout, marked("Help"), marked("About Baryton…"), ""},
    };
    return all;
}

const std::vector<std::pair<const char*, const char*>>& focusKeys() {
    static const std::vector<std::pair<const char*, const char*>> all = {
        {marked("A number"),
         marked("Up and Down turn it, Shift by ten; Enter takes a number or a sum, Escape takes it back")},
        {marked("A ruler"), marked("arrow keys turn it, Shift by ten; Home goes back to the default")},
        {marked("A curve"), marked("arrow keys nudge the point by 1, Shift by 10; Page Up and Page Down choose; "
                                   "Insert adds one, Delete removes")},
        {marked("A disc"),
         marked("arrow keys pull the chosen handle, Shift by ten; comma and full stop choose the one "
                "beside; Home takes its pull away")},
        {marked("A tone axis"),
         marked("Up and Down lift and lower, Shift by ten; Left and Right choose; Home goes back to the default")},
        {marked("A row of words"), marked("Tab comes to the chosen one; Left and Right choose")},
        {marked("Any drag"), marked("Escape takes it back whole")},
        {marked("A card of the chain"),
         marked("Left and Right walk; Space turns the stage on and off; Enter opens it, Delete removes it")},
        {marked("Hue bands"),
         marked("Up and Down turn the value, Left and Right the hue; comma and full stop choose a band, Page "
                "Up and Page Down the lane")},
        {marked("A triangle's corner"),
         marked("Left and Right turn it, Up and Down change its reach; Page Up and Page Down choose; Home resets")},
        {marked("A bar with handles"),
         marked("arrow keys move the handle; Page Up and Page Down choose; Home resets")},
        {marked("A cell of a table"),
         marked("a digit or Enter writes; Up and Down turn it, Shift by ten; Home resets")},
        {marked("The picture"), marked("Space held pans by dragging")},
        {marked("A brush on the picture"),
         marked(
             "Alt with the wheel, or with Up and Down, changes its size; Alt with Shift and the wheel, or with Left "
             "and Right, its softness; Ctrl held erases")},
        {marked("The frame"),
         marked("arrow keys move it, Shift by ten; comma and full stop turn the picture, M "
                "mirrors it, X swaps the sides; "
                "Ctrl held draws what is to be level; L draws lines to straighten it by; Enter is "
                "done")},
    };
    return all;
}

QString keyText(const char* english) {
    return QCoreApplication::translate("baryton", english);
}

} // namespace baryton
