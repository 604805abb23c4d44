#pragma once
#include "app/app_state.h"

#include <QComboBox>
#include <QLineEdit>
#include <QWidget>

namespace baryton {

/// Under which name and in which group a preset is kept.
class KeepRow : public QWidget {
    Q_OBJECT
public:
    KeepRow(AppState& state, const QString& usualGroup, QWidget* parent = nullptr);

    /// Offers a name, where the user has not given one.
    void offerName(const QString& name);
    bool isComplete() const;
    std::string name() const { return name_->text().trimmed().toStdString(); }
    /// Adds the preset to the library under the name, and says so.
    void keep(Preset preset);

Q_SIGNALS:
    void changed();

private:
    AppState& state_;
    QLineEdit* name_;
    QComboBox* group_;
};

} // namespace baryton
