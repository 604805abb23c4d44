#include "app/keys.h"

namespace baryton {

const std::vector<KeyCommand>& keyCommands() {
    static const std::vector<KeyCommand> all = {
        {"open-folder", "File", "Open folder…", "Ctrl+O"},
        {"open-files", "File", "Open pictures…", "Ctrl+Shift+O"},
        {"save-preset", "File", "Save preset…", "Ctrl+S"},
        {"export-lut", "File", "Export LUT…", "Ctrl+E"},
        {"quit", "File", "Quit", "Ctrl+Q"},
        {"undo", "Edit", "Undo", "Ctrl+Z"},
        {"redo", "Edit", "Redo", "Ctrl+Shift+Z"},
        {"reset-stage", "Edit", "Reset the stage", "Ctrl+R"},
        {"reset-picture", "Edit", "Reset the picture", "Ctrl+Shift+R"},
        {"next-picture", "Picture", "Next picture", "Ctrl+Down"},
        {"previous-picture", "Picture", "Previous picture", "Ctrl+Up"},
        {"duplicate-stage", "Look", "Duplicate the stage", "Ctrl+D"},
        {"delete-stage", "Look", "Delete the stage", "Ctrl+Backspace"},
        {"stage-earlier", "Look", "Move the stage earlier", "Ctrl+Left"},
        {"stage-later", "Look", "Move the stage later", "Ctrl+Right"},
        {"task-grade", "View", "Grade", "Ctrl+1"},
        {"task-package", "View", "Package", "Ctrl+2"},
        {"task-batch", "View", "Batch", "Ctrl+3"},
        {"hold-before", "View", "Before, while held", "B"},
        {"wipe", "View", "Wipe", "W"},
        {"fit", "View", "Fit the window", "Ctrl+0"},
        {"full-size", "View", "Full size (100 %)", "Ctrl+Alt+0"},
        {"zoom-in", "View", "Larger", "Ctrl++"},
        {"zoom-out", "View", "Smaller", "Ctrl+-"},
        {"shelf", "View", "Shelf of presets", "Ctrl+L"},
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
        {"A card of the chain", "Left and Right walk; Space turns the stage on and off; Enter opens it"},
    };
    return all;
}

} // namespace baryton
