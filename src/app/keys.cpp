#include "app/keys.h"

namespace baryton {

const std::vector<KeyCommand>& keyCommands() {
    static const std::vector<KeyCommand> all = {
        {"open-folder", "File", "Open folder…", "Ctrl+O"},
        {"open-files", "File", "Open pictures…", "Ctrl+Shift+O"},
        {"save-preset", "File", "Save preset…", "Ctrl+S"},
        {"export-lut", "File", "Export LUT…", "Ctrl+E"},
        {"write-picture", "File", "Write this picture…", "Ctrl+Shift+E"},
        {"open-with", "File", "Open this picture with…", ""},
        {"import", "File", "Import presets and LUTs…", "Ctrl+I"},
        {"export-pack", "File", "Export a pack…", ""},
        {"preferences", "File", "Preferences…", "Ctrl+,"},
        {"quit", "File", "Quit", "Ctrl+Q"},
        {"undo", "Edit", "Undo", "Ctrl+Z"},
        {"redo", "Edit", "Redo", "Ctrl+Shift+Z"},
        {"copy-grade", "Edit", "Copy the grade", "Ctrl+C"},
        {"paste-grade", "Edit", "Paste to the chosen pictures", "Ctrl+V"},
        {"paste-ticked", "Edit", "Paste with ticks…", "Ctrl+Shift+V"},
        {"find", "Edit", "Find anything…", "Ctrl+K"},
        {"reset-stage", "Edit", "Reset the stage", "Ctrl+R"},
        {"reset-picture", "Edit", "Reset the picture", "Ctrl+Shift+R"},
        {"next-picture", "Picture", "Next picture", "Ctrl+Down"},
        {"previous-picture", "Picture", "Previous picture", "Ctrl+Up"},
        {"choose-all", "Picture", "Choose all pictures", "Ctrl+A"},
        {"edits-all", "Picture", "Edits go to all chosen", "Ctrl+Shift+A"},
        {"keep-take", "Picture", "Keep a take", "Ctrl+T"},
        {"steps", "Picture", "Takes and steps", "Ctrl+H"},
        {"reference", "Picture", "Reference picture…", ""},
        {"starts", "Picture", "Start of new pictures…", ""},
        {"add-stage", "Look", "Add a stage…", "Ctrl+Shift+N"},
        {"add-layer", "Look", "Add a layer", "Ctrl+Shift+L"},
        {"on-picture", "Look", "Work on the picture", "P"},
        {"alone", "Look", "Show the stage alone", "O"},
        {"duplicate-stage", "Look", "Duplicate the stage", "Ctrl+D"},
        {"delete-stage", "Look", "Delete the stage", "Ctrl+Backspace"},
        {"stage-earlier", "Look", "Move the stage earlier", "Ctrl+Left"},
        {"stage-later", "Look", "Move the stage later", "Ctrl+Right"},
        {"given", "Look", "Bring back Baryton's own presets…", ""},
        {"task-grade", "View", "Grade", "Ctrl+1"},
        {"task-package", "View", "Package", "Ctrl+2"},
        {"task-batch", "View", "Batch", "Ctrl+3"},
        {"hold-before", "View", "Before, while held", "B"},
        {"wipe", "View", "Wipe", "W"},
        {"wipe-across", "View", "Wipe across", "Shift+W"},
        {"beside", "View", "Beside", "D"},
        {"grid", "View", "Grid of pictures", "G"},
        {"clip-marks", "View", "Clip marks", "C"},
        {"fit", "View", "Fit the window", "Ctrl+0"},
        {"full-size", "View", "Full size (100 %)", "Ctrl+Alt+0"},
        {"double-size", "View", "Double size (200 %)", ""},
        {"zoom-in", "View", "Larger", "Ctrl++"},
        {"zoom-out", "View", "Smaller", "Ctrl+-"},
        {"shelf", "View", "Shelf of presets", "Ctrl+L"},
        {"panels", "View", "Panels", "F8"},
        {"full-screen", "View", "Full screen", "F11"},
        {"keys", "Help", "Keys…", "F1"},
        {"about", "Help", "About Baryton…", ""},
    };
    return all;
}

const std::vector<std::pair<const char*, const char*>>& focusKeys() {
    static const std::vector<std::pair<const char*, const char*>> all = {
        {"A number", "Up and Down turn it, Shift by ten; Enter takes a number or a sum, Escape takes it back"},
        {"A ruler", "arrow keys turn it, Shift by ten; Home goes back to the default"},
        {"A curve", "arrow keys nudge the point by 1, Shift by 10; Page Up and Page Down choose; Delete removes"},
        {"A wheel", "arrow keys pull the colour; Page Up and Page Down lift and lower; Home resets"},
        {"A card of the chain",
         "Left and Right walk; Space turns the stage on and off; Enter opens it, Delete removes it"},
        {"Hue bands", "Up and Down turn the value, Left and Right the hue; comma and full stop choose a band, Page "
                      "Up and Page Down the lane"},
        {"A triangle's corner",
         "Left and Right turn it, Up and Down change its reach; Page Up and Page Down choose; Home resets"},
        {"A bar with handles", "arrow keys move the handle; Page Up and Page Down choose; Home resets"},
        {"A cell of a table", "a digit or Enter writes; Up and Down turn it, Shift by ten; Home resets"},
        {"The picture", "Space held pans by dragging"},
    };
    return all;
}

} // namespace baryton
