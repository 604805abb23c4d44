#pragma once
#include <QFrame>
#include <QLineEdit>
#include <QListWidget>
#include <functional>
#include <vector>

namespace baryton {

/// Finds anything by typing: commands, stages, presets, pictures. Every word typed must occur; what begins with the
/// first word comes first. Up, Down and Enter choose, Escape closes.
class Palette : public QFrame {
    Q_OBJECT
public:
    struct Entry {
        QString kind, text, key; ///< "command", "Undo", "Ctrl+Z"
        std::function<void()> run;
    };

    Palette(std::vector<Entry> entries, QWidget* parent = nullptr);
    QLineEdit* search() const { return search_; }
    QListWidget* list() const { return list_; }

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void filter();
    void take(QListWidgetItem* item);
    std::vector<Entry> entries_;
    QLineEdit* search_;
    QListWidget* list_;
};

} // namespace baryton
