#pragma once
#include "app/app_state.h"

#include <QListWidget>

namespace baryton {

/// The groups of the library in their order. They are moved by dragging, presets are dropped on them, and a double
/// click renames.
class GroupList : public QListWidget {
    Q_OBJECT
public:
    /// What tiles are dragged as: item names (LibraryEntry::item), one a line.
    static const QString kMimeType;

    explicit GroupList(AppState& state, QWidget* parent = nullptr);

    /// The chosen group; empty for all, and for the favourites.
    QString group() const;
    bool isFavourites() const;
    void fill();
    void addGroup();

Q_SIGNALS:
    void groupChosen();
    void exportWanted(const QString& group);
    void exportLutsWanted(const QString& group);

protected:
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dragMoveEvent(QDragMoveEvent* event) override;
    void dropEvent(QDropEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    void openMenu(QPoint at);
    void rename(const QString& from, const QString& to);

    AppState& state_;
    bool filling_ = false;
};

} // namespace baryton
