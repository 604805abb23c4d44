#pragma once
#include <QWidget>

namespace baryton {

/// A text that comes and goes, in a place that is always there: so many lines high, whatever it says. What has no
/// room ends in dots and stands whole in the tooltip.
class StillText : public QWidget {
    Q_OBJECT
public:
    explicit StillText(int lines, QWidget* parent = nullptr);
    void setText(const QString& text);
    const QString& text() const { return text_; }
    /// Whether there was no room for all of it when it was last painted.
    bool isCut() const { return isCut_; }
    void setAlignment(Qt::Alignment alignment);
    QSize sizeHint() const override;
    QSize minimumSizeHint() const override { return {0, sizeHint().height()}; }

protected:
    void paintEvent(QPaintEvent* event) override;
    void changeEvent(QEvent* event) override;

private:
    int lines_;
    QString text_;
    Qt::Alignment alignment_ = Qt::AlignLeft;
    bool isCut_ = false;
};

} // namespace baryton
