#pragma once
#include "app/widgets/find_popup.h"

#include <functional>
#include <vector>

namespace baryton {

/// Finds anything by typing: commands, stages, presets, pictures. Every word typed must occur; what begins with the
/// first word comes first.
class Palette : public FindPopup {
    Q_OBJECT
public:
    struct Entry {
        QString kind, text, key; ///< "command", "Undo", "Ctrl+Z"
        std::function<void()> run;
        QString purposes{}; ///< further words it is found by
    };

    Palette(std::vector<Entry> entries, QWidget* parent = nullptr);

protected:
    void filter() override;
    void take(QListWidgetItem* item) override;

private:
    std::vector<Entry> entries_;
};

} // namespace baryton
