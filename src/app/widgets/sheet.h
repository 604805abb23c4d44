#pragma once
#include <QDialog>
#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>

namespace baryton {

/// A dialog of the program's own, gone when it is closed. Margins, notes and the row of buttons at its foot are the
/// same in all of them.
class Sheet : public QDialog {
    Q_OBJECT
public:
    /// `guide` is the place of the guide that tells of it: "guide/package#Packs".
    Sheet(const QString& title, const QString& guide, QWidget* parent);

protected:
    QVBoxLayout* rows() const { return rows_; } ///< what it holds, from top to bottom
    /// A sentence about what the sheet does.
    QLabel* addNote(const QString& text);
    /// At the left `before`, if any; at the right Cancel and what the sheet is for, which Enter presses.
    void addFoot(QPushButton* main, QWidget* before = nullptr);
    /// Of a sheet whose changes take effect at once; at the left `before`, if any.
    void addCloseFoot(const char* role, QWidget* before = nullptr);

private:
    QVBoxLayout* rows_;
};

} // namespace baryton
