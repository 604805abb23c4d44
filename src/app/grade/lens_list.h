#pragma once
#include "app/widgets/find_popup.h"
#include "picture/lens.h"

#include <functional>

namespace baryton {

/// The lenses that corrections are known for, found by typing; those that fit the camera come first.
class LensList : public FindPopup {
    Q_OBJECT
public:
    /// `take` is given the name of the lens that is chosen.
    LensList(const Shot& shot, std::function<void(const std::string&)> take, QWidget* parent = nullptr);
    /// Opens with its upper right corner there, higher where the screen ends.
    void popup(QPoint upperRight);

protected:
    void filter() override;
    void take(QListWidgetItem* item) override;

private:
    std::function<void(const std::string&)> take_;
};

} // namespace baryton
