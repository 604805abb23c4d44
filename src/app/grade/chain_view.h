#pragma once
#include "app/grade/mask_hands.h"
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
    /// The frame that the miniatures of masks show.
    void setFrame(double aspect, const std::shared_ptr<const FramePlace>& place);
    /// A small version of what enters the Look, which some masks see.
    void setLookInput(const Picture& small);
    QSize sizeHint() const override { return {layout_.width, 140}; }

Q_SIGNALS:
    void cardShown(QWidget* card);                ///< to be scrolled into sight
    void heldOff(const std::string& stageId);     ///< empty: no longer
    void maskPointed(const std::string& layerId); ///< the pointer is on a layer's mask; empty: no longer
    void copyWanted();
    void pasteWanted();
    void savePresetWanted();

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void leaveEvent(QEvent* event) override;
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
        QImage mask; ///< behind the title; null for none
        bool operator==(const Bracket&) const = default;
    };
    struct Counts {
        std::size_t look = 0, baking = 0;
        bool operator==(const Counts&) const = default;
    };
    static Counts countStages(const Grade& grade);
    /// Where everything stands, from the left; cards in the order of the grade.
    struct Layout {
        std::vector<QRect> cards;
        std::map<Part, int> adds;
        std::vector<Bracket> brackets;
        int prepEnd = 0, lookStart = 0, finishStart = 0, width = 0;
        bool operator==(const Layout&) const = default;
    };
    Layout layOut(int cardWidth) const;
    void place(const Layout& layout);
    void rebuild();
    void walk(StageCard* from, int step);
    void openMenu(const std::string& stageId, QPoint at);
    void renameStage(const std::string& stageId);

    AppState& state_;
    std::vector<StageCard*> cards_;
    std::vector<std::string> shape_; ///< what the cards were built for
    Layout layout_;
    Counts counts_;
    MaskHands masks_;
    Picture lookInput_;
    std::string pointedMask_;
    void pointAtMask(const std::string& layerId);
    std::optional<int> dropX_; ///< where the line is drawn while a card is dragged
    std::map<Part, QWidget*> addButtons_;
};

} // namespace baryton
