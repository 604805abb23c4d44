#pragma once
#include <QFrame>
#include <QLineEdit>
#include <QListWidget>

namespace baryton {

/// A popup with a line to type into and a list of what fits it. Up and Down choose without leaving the line, Enter or
/// a click takes, Escape closes.
class FindPopup : public QFrame {
    Q_OBJECT
public:
    FindPopup(const QString& name, const QString& placeholder, QWidget* parent = nullptr);
    QLineEdit* search() const { return search_; }
    QListWidget* list() const { return list_; }

protected:
    /// Shows what fits the typed text and makes the first of it the current one.
    virtual void filter() = 0;
    /// An entry was taken; the popup has been closed.
    virtual void take(QListWidgetItem* item) = 0;
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void choose(QListWidgetItem* item);
    void step(int by);
    QLineEdit* search_;
    QListWidget* list_;
};

} // namespace baryton
