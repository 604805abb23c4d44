#pragma once
#include <QKeySequence>
#include <QString>
#include <vector>

namespace baryton {

/// One command with its key; the one table of them all (menus, Help and docs/keys.md come from it).
struct KeyCommand {
    const char* id;
    const char* menu; ///< the menu it stands in
    const char* text; ///< as in the menu
    const char* key;  ///< portable text; empty for none
};

const std::vector<KeyCommand>& keyCommands();

/// A text of these tables in the language of the interface.
QString keyText(const char* english);

/// Keys that act on what has the focus, for Help: what and how.
const std::vector<std::pair<const char*, const char*>>& focusKeys();

} // namespace baryton
