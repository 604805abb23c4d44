#pragma once
#include "app/grade/stage_card.h"
#include "app/grade/stage_commands.h"
#include "render/diagnose.h"

#include <QPointer>
#include <QTimer>
#include <QWidget>
#include <optional>

namespace baryton {

/// The stages of the key picture in the order they act, on one string from the source to the scope: Prep, the layers
/// of the Look as brackets, Finish.
class ChainView : public QWidget {
    Q_OBJECT
public:
    explicit ChainView(AppState& state, QWidget* parent = nullptr);
    StageCard* card(const std::string& stageId) const;
    ~ChainView() override;
    /// The list of all stages, or of those of one part, at that part's +.
    void openAddList(AddAt at = AddAt::Chosen, std::optional<Part> part = {});
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
    bool event(QEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    QPointer<QWidget> addList_; ///< while it is open
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
        bool isOn;
        QString title;
        bool operator==(const Bracket&) const = default;
    };
    struct Counts {
        std::size_t look = 0, baking = 0;
        bool operator==(const Counts&) const = default;
    };
    static Counts countStages(const Grade& grade);
    /// Places the cards at a width and gives the brackets of the layers.
    std::vector<Bracket> layOut(int cardWidth);
    void rebuild();
    void walk(StageCard* from, int step);
    void openMenu(const std::string& stageId, QPoint at);
    void renameStage(const std::string& stageId);

    AppState& state_;
    std::vector<StageCard*> cards_;
    std::vector<std::string> shape_; ///< what the cards were built for
    std::vector<Bracket> brackets_;
    Counts counts_;
    std::optional<int> dropX_; ///< where the line is drawn while a card is dragged
    std::map<Part, QWidget*> addButtons_;
    int prepEnd_ = 0, lookStart_ = 0, finishStart_ = 0, contentWidth_ = 0;
};

} // namespace baryton
