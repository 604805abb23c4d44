#pragma once
#include <QLabel>
#include <QPushButton>
#include <QStackedWidget>
#include <QTimer>

namespace baryton {

/// The middle of the status bar: what the pointer is on, and in its place, where something went wrong, the problem.
/// It covers nothing. After a while, or with the next picture, it goes back to the pointer; what was told stays
/// behind a button at the right until it is cleared there.
class ProblemLine : public QStackedWidget {
    Q_OBJECT
public:
    explicit ProblemLine(QWidget* parent = nullptr);
    QLabel* pointerText() const { return pointer_; }
    /// To be put where it is always in sight; hidden while there is no problem.
    QPushButton* button() const { return button_; }
    void tell(const QString& problem);
    /// Back to the pointer; the problems are kept.
    void rest();
    /// The same, unless the problem has only just come up.
    void restSoon();
    void clear();
    const QStringList& problems() const { return problems_; }
    /// All of them, whole, above the button.
    void openAll();

private:
    void update();
    QLabel *pointer_, *latest_;
    QPushButton* button_;
    QStringList problems_; ///< the newest last
    QTimer rest_;
};

} // namespace baryton
