#pragma once
#include <QColor>
#include <QPushButton>
#include <QVector>
#include <QWidget>

namespace baryton {

/// Where a hue comes from and where it lies: a press on the picture, one on a sample point's colour or on what lies
/// opposite it; and, held, the places of the picture that have it. Hues are OKLCh, in degrees.
class HuePicks : public QWidget {
    Q_OBJECT
public:
    struct Pin {
        QString label;
        double hue = 0, opposite = 0;
        bool operator==(const Pin&) const = default;
    };
    static constexpr int kMost = 6; ///< pins that have room

    HuePicks(std::function<QColor(double degrees)> colourOf, QWidget* parent = nullptr);
    void setPins(const QVector<Pin>& pins);
    QPushButton* show() const { return show_; }

Q_SIGNALS:
    void pickWanted();
    void taken(double hue);
    void shown(bool on); ///< as long as it is held

private:
    std::function<QColor(double)> colourOf_;
    QVector<Pin> pins_;
    QPushButton* show_;
    QWidget* hint_;
    QPushButton *own_[kMost], *opposite_[kMost];
};

} // namespace baryton
