#include "app/keys.h"
#include "base/words.h"

#include <QCoreApplication>

namespace baryton {

const std::vector<KeyCommand>& keyCommands() {
    static const std::vector<KeyCommand> all = {
        {"open-folder", marked("File"), marked("Open folder…"), "Ctrl+O"},
        {"open-files", marked("File"), marked("Open pictures…"), "Ctrl+Shift+O"},
        {"save-preset", marked("File"), marked("Save preset…"), "Ctrl+S"},
        {"export-lut", marked("File"), marked("Export LUT…"), "Ctrl+E"},
        {"write-picture", marked("File"), marked("Write this picture…"), "Ctrl+Shift+E"},
        {"open-with", marked("File"), marked("Open this picture with…"), ""},
        {"import", marked("File"), marked("Import presets and LUTs…"), "Ctrl+I"},
        {"export-pack", marked("File"), marked("Export a pack…"), ""},
        {"preferences", marked("File"), marked("Preferences…"), "Ctrl+,"},
        {"quit", marked("File"), marked("Quit"), "Ctrl+Q"},
        {"undo", marked("Edit"), marked("Undo"), "Ctrl+Z"},
        {"redo", marked("Edit"), marked("Redo"), "Ctrl+Shift+Z"},
        {"copy-grade", marked("Edit"), marked("Copy the grade"), "Ctrl+C"},
        {"paste-grade", marked("Edit"), marked("Paste to the chosen pictures"), "Ctrl+V"},
        {"paste-ticked", marked("Edit"), marked("Paste with ticks…"), "Ctrl+Shift+V"},
        {"find", marked("Edit"), marked("Find anything…"), "Ctrl+K"},
        {"reset-stage", marked("Edit"), marked("Reset the stage"), "Ctrl+R"},
        {"reset-layer", marked("Edit"), marked("Reset the layer"), ""},
        {"reset-prep", marked("Edit"), marked("Reset Prep"), ""},
        {"reset-look", marked("Edit"), marked("Reset the Look"), ""},
        {"reset-finish", marked("Edit"), marked("Reset Finish"), ""},
        {"reset-picture", marked("Edit"), marked("Reset the picture"), "Ctrl+Shift+R"},
        {"next-picture", marked("Picture"), marked("Next picture"), "Ctrl+Down"},
        {"previous-picture", marked("Picture"), marked("Previous picture"), "Ctrl+Up"},
        {"choose-all", marked("Picture"), marked("Choose all pictures"), "Ctrl+A"},
        {"edits-all", marked("Picture"), marked("Edits go to all chosen"), "Ctrl+Shift+A"},
        {"keep-take", marked("Picture"), marked("Keep a take"), "Ctrl+T"},
        {"steps", marked("Picture"), marked("Takes and steps"), "Ctrl+H"},
        {"reference", marked("Picture"), marked("Reference picture…"), ""},
        {"starts", marked("Picture"), marked("Start of new pictures…"), ""},
        {"add-stage", marked("Look"), marked("Add a stage…"), "Ctrl+Shift+N"},
        {"add-layer", marked("Look"), marked("Add a layer"), "Ctrl+Shift+L"},
        {"on-picture", marked("Look"), marked("Work on the picture"), "P"},
        {"alone", marked("Look"), marked("Show the stage alone"), "O"},
        {"duplicate-stage", marked("Look"), marked("Duplicate the stage"), "Ctrl+D"},
        {"delete-stage", marked("Look"), marked("Delete the stage"), "Ctrl+Backspace"},
        {"stage-earlier", marked("Look"), marked("Move the stage earlier"), "Ctrl+Left"},
        {"stage-later", marked("Look"), marked("Move the stage later"), "Ctrl+Right"},
        {"given", marked("Look"), marked("Bring back Baryton's own presets…"), ""},
        {"task-grade", marked("View"), marked("Grade"), "Ctrl+1"},
        {"task-package", marked("View"), marked("Package"), "Ctrl+2"},
        {"task-batch", marked("View"), marked("Batch"), "Ctrl+3"},
        {"hold-before", marked("View"), marked("Before, while held"), "B"},
        {"wipe", marked("View"), marked("Wipe"), "W"},
        {"wipe-across", marked("View"), marked("Wipe across"), "Shift+W"},
        {"beside", marked("View"), marked("Beside"), "D"},
        {"grid", marked("View"), marked("Grid of pictures"), "G"},
        {"clip-marks", marked("View"), marked("Clip marks"), "C"},
        {"fit", marked("View"), marked("Fit the window"), "Ctrl+0"},
        {"full-size", marked("View"), marked("Full size (100 %)"), "Ctrl+Alt+0"},
        {"double-size", marked("View"), marked("Double size (200 %)"), ""},
        {"zoom-in", marked("View"), marked("Larger"), "Ctrl++"},
        {"zoom-out", marked("View"), marked("Smaller"), "Ctrl+-"},
        {"shelf", marked("View"), marked("Shelf of presets"), "Ctrl+L"},
        {"panels", marked("View"), marked("Panels"), "F8"},
        {"full-screen", marked("View"), marked("Full screen"), "F11"},
        {"keys", marked("Help"), marked("Keys…"), "F1"},
        {"about", marked("Help"), marked("About Baryton…"), ""},
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
        {marked("The frame"),
         marked("arrow keys move it, Shift by ten; Ctrl held draws what is to be level; Enter is done")},
    };
    return all;
}

QString keyText(const char* english) {
    return QCoreApplication::translate("baryton", english);
}

} // namespace baryton
