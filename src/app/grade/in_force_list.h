#pragma once
#include "app/app_state.h"

#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>
#include <QWidget>

namespace baryton {

class NumberField;

/// The presets in force on the key picture, each with its switch, its strength, swapping and taking off. Hidden when
/// there are none.
class InForceList : public QWidget {
    Q_OBJECT
public:
    explicit InForceList(AppState& state, QWidget* parent = nullptr);

    /// The one that waits for the preset that takes its place.
    std::optional<std::size_t> swapped() const { return swap_; }
    void endSwap();

Q_SIGNALS:
    void swapChanged();

private:
    struct Row {
        QWidget* box;
        QPushButton *name, *swap, *over;
        NumberField* strength;
        QLabel* mode;
    };
    void refresh();
    Row makeRow(std::size_t index);

    AppState& state_;
    QVBoxLayout* rows_;
    QLabel* none_; ///< what stands there while no preset is in force
    std::vector<Row> shown_;
    std::optional<std::size_t> swap_;
};

} // namespace baryton
