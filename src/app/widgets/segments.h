#pragma once
#include <QFrame>
#include <QPushButton>
#include <vector>

namespace baryton {

/// A row of words of which one is chosen. For Tab it is one stop, at the chosen word; left and right move within.
class Segments : public QFrame {
    Q_OBJECT
public:
    explicit Segments(const QStringList& words, QWidget* parent = nullptr);

    int current() const { return current_; }
    void setCurrent(int index);
    /// Marks a word as standing for something that was changed; it takes no room.
    void setMarked(int index, bool marked);
    QPushButton* button(int index) const { return buttons_[static_cast<std::size_t>(index)]; }

Q_SIGNALS:
    void chosen(int index); ///< by the user

protected:
    void keyPressEvent(QKeyEvent* event) override;

private:
    std::vector<QPushButton*> buttons_;
    int current_ = -1;
};

} // namespace baryton
