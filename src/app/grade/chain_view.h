#pragma once
#include "app/app_state.h"
#include "render/diagnose.h"

#include <QTimer>
#include <QWidget>
#include <optional>

namespace baryton {

/// One stage of the chain: its name, a dot that turns it on and off, and the stage at work in miniature.
class StageCard : public QWidget {
    Q_OBJECT
public:
    static constexpr QSize kSize{100, 92};

    StageCard(AppState& state, const std::string& stageId, QWidget* parent);
    const std::string& stageId() const { return stageId_; }
    /// A few words about what the stage does to this picture, and a sentence; empty when all is well.
    void setMark(const QString& mark, const QString& sentence);
    void refresh(); ///< paints anew where the stage has changed
    /// Whether what is being tried changes this stage.
    bool isLit() const;
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
};

/// The stages of the key picture in the order they act, on one string from the source to the scope: Prep, the layers
/// of the Look as brackets, Finish.
class ChainView : public QWidget {
    Q_OBJECT
public:
    explicit ChainView(AppState& state, QWidget* parent = nullptr);
    StageCard* card(const std::string& stageId) const;
    void openAddList();
    void setReports(const std::vector<StageReport>& reports);
    QSize sizeHint() const override { return {contentWidth_, 140}; }

Q_SIGNALS:
    void cardShown(QWidget* card);            ///< to be scrolled into sight
    void heldOff(const std::string& stageId); ///< empty: no longer
    void copyWanted();
    void pasteWanted();
    void savePresetWanted();

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;

private:
    /// Where a stage would be put: a layer, and a place among its stages without the one that is moved.
    struct Drop {
        std::size_t layer, index;
        int x;
    };
    std::optional<Drop> dropAt(QPoint at, const std::string& moved) const;
    void dragCard(StageCard* card, QPoint at, bool done);
    struct Bracket {
        QRect box;
        std::size_t layer;
        QString title;
    };
    void rebuild();
    void walk(StageCard* from, int step);
    void openMenu(const std::string& stageId, QPoint at);
    void renameStage(const std::string& stageId);

    AppState& state_;
    std::vector<StageCard*> cards_;
    std::vector<std::string> shape_; ///< what the cards were built for
    std::vector<Bracket> brackets_;
    std::optional<int> dropX_; ///< where the line is drawn while a card is dragged
    QWidget* addButton_ = nullptr;
    int prepEnd_ = 0, lookStart_ = 0, finishStart_ = 0, contentWidth_ = 0;
};

} // namespace baryton
