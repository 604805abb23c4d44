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
    /// Opens as wide as a panel and below a button of it, higher where the screen ends: nothing of the picture is
    /// covered.
    void popup(const QWidget& panel, const QWidget& button);

protected:
    void filter() override;
    void take(QListWidgetItem* item) override;

private:
    std::function<void(const std::string&)> take_;
};

} // namespace baryton
