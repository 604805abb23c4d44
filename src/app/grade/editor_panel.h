#pragma once
#include "app/grade/editors.h"

#include <QLineEdit>
#include <QPushButton>
#include <QScrollArea>

namespace baryton {

/// The editor of the chosen stage or layer with what every one has: name, switch, reset, strength.
class EditorPanel : public QWidget {
    Q_OBJECT
public:
    explicit EditorPanel(AppState& state, QWidget* parent = nullptr);
    StageEditor* editor() const { return editor_; }

Q_SIGNALS:
    void savePresetWanted();
    void exportLutWanted();
    void shelfWanted();
    void pickWanted(const QString& what, std::function<void(std::array<float, 3>)> take);

private:
    void rebuild();
    void refresh();
    QWidget* makeLayerPage();
    const Layer* chosenLayer() const;
    void editLayer(const QString& gesture, const std::function<void(Layer&)>& change);

    AppState& state_;
    QPushButton *dot_, *reset_;
    QLabel* title_;
    QScrollArea* scroll_;
    ValueRow* strength_;
    StageEditor* editor_ = nullptr;
    std::string shownFor_; ///< id and type of what the editor was built for
};

} // namespace baryton
