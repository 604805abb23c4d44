#pragma once
#include "app/app_state.h"
#include "app/widgets/readable.h"

#include <QTimer>
#include <QWidget>
#include <optional>

namespace baryton {

/// One stage of the chain: its name, a dot that turns it on and off, and the stage at work in miniature.
class StageCard : public QWidget, public Readable {
    Q_OBJECT
public:
    static constexpr QSize kSize{100, 92};
    static constexpr int kTop = 36;            ///< where cards stand in the chain
    static constexpr int kStringY = kTop + 46; ///< where the string runs there

    StageCard(AppState& state, const std::string& stageId, QWidget* parent);
    const std::string& stageId() const { return stageId_; }
    /// A few words about what the stage does to this picture, and a sentence; empty when all is well.
    /// `warns`: with a sign, as something to be mended; else in the quiet tone.
    void setMark(const QString& mark, const QString& sentence, bool warns);
    void refresh(); ///< paints anew where the stage has changed
    /// Whether what is being tried changes this stage.
    bool isLit() const;
    /// "on", and what is worth saying about it.
    QString inWords() const override;
    QAccessible::Role readableRole() const override { return QAccessible::ListItem; }
    QRectF dot() const { return {kSize.width() - 17.0, 7, 10, 10}; }

Q_SIGNALS:
    void chosen();
    void menuWanted(QPoint globalPosition);
    void walk(int step); ///< an arrow key: to the neighbour
    void removeWanted();
    void heldOff(bool off); ///< the pointer rests on the dot: the picture is wanted without the stage
    void dragged(QPoint inChain, bool done); ///< the card is pulled along the chain; `done` where it is let go

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void leaveEvent(QEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;

private:
    void toggle();
    void setOff(bool off);
    std::optional<QPoint> pressedAt_;
    bool dragging_ = false, isOff_ = false;
    QTimer rest_; ///< of the pointer on the dot
    AppState& state_;
    std::string stageId_;
    Stage painted_;
    bool paintedLit_ = false;
    QString mark_;
    bool warns_ = false;
};

} // namespace baryton
