#pragma once
#include "app/app_state.h"
#include "app/widgets/sheet.h"

#include <QComboBox>
#include <QLineEdit>
#include <QVBoxLayout>

namespace baryton {

/// What pictures without a grade start from: nothing, a preset, or one for each camera or file type.
class StartSheet : public Sheet {
    Q_OBJECT
public:
    explicit StartSheet(AppState& state, QWidget* parent = nullptr);

private:
    struct Rule {
        QWidget* box;
        QComboBox *kind, *preset;
        QLineEdit* what;
    };
    QComboBox* makePresets(const std::string& chosen) const;
    void addRule(int kind, const std::string& what, const std::string& preset);
    void save();

    AppState& state_;
    QComboBox* any_;
    QVBoxLayout* rows_;
    std::vector<Rule> rules_;
};

} // namespace baryton
