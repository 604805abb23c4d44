#pragma once
#include <optional>
#include <vector>

namespace baryton {

/// Which pictures of a set are chosen, by their places, which of them is the key picture, and how far edits go. Plain
/// values: whoever changes them says so.
class Selection {
public:
    int key() const { return key_; } ///< −1 when nothing is open
    bool hasKey() const { return key_ >= 0; }
    void setKey(int index) { key_ = index; }
    /// In rising order.
    const std::vector<int>& chosen() const { return chosen_; }
    bool isChosen(int index) const;
    /// False when they were chosen already. A choice of fewer than two sends edits to all again: a choice of several
    /// is made to edit them together, until that is said otherwise.
    bool choose(std::vector<int> indexes);
    /// True when edits go to all chosen pictures, of which there are several.
    bool editsAll() const { return editsAll_ && chosen_.size() > 1; }
    void setEditsAll(bool all) { editsAll_ = all; }
    /// The pictures that an edit changes, the key picture first.
    std::vector<int> targets() const;

    struct Toggled {
        std::vector<int> chosen;
        int key;
    };
    /// The choice with a picture added or taken out. Where that was the key picture, the nearest one that is still
    /// chosen becomes it. Nothing for the last one: it stays.
    std::optional<Toggled> toggled(int index) const;

    /// Another set: nothing is chosen.
    void clear();

private:
    int key_ = -1;
    std::vector<int> chosen_;
    bool editsAll_ = true;
};

} // namespace baryton
