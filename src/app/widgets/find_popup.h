#pragma once
#include <QFrame>
#include <QLineEdit>
#include <QListWidget>
#include <QStackedWidget>

namespace baryton {

/// Whether every word that was typed occurs in a text, in any order, whatever the case.
bool hasAllWords(const QString& text, const QString& typed);

/// A popup with a line to type into and a list of what fits it. Up and Down choose without leaving the line, Enter or
/// a click takes, Escape closes.
class FindPopup : public QFrame {
    Q_OBJECT
public:
    /// `nothing` is said in place of the list when nothing fits, and what to do then.
    FindPopup(const QString& name, const QString& placeholder, const QString& nothing, QWidget* parent = nullptr);
    QLineEdit* search() const { return search_; }
    QListWidget* list() const { return list_; }
    /// Whether anything fits the typed text.
    bool isEmpty() const { return shown_->currentIndex() == 1; }

protected:
    /// Shows what fits the typed text and makes the first of it the current one.
    virtual void filter() = 0;
    /// An entry was taken; the popup has been closed.
    virtual void take(QListWidgetItem* item) = 0;
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void refilter();
    void choose(QListWidgetItem* item);
    void step(int by);
    QLineEdit* search_;
    QListWidget* list_;
    QStackedWidget* shown_; ///< the list, or what is said when it is empty
};

} // namespace baryton
