#pragma once
#include "app/app_state.h"
#include "app/grade/chain_view.h"
#include "app/grade/compare_bar.h"
#include "app/grade/editor_panel.h"
#include "app/grade/frame_view.h"
#include "app/grade/grid_view.h"
#include "app/grade/picture_hand.h"
#include "app/grade/sample_list.h"
#include "app/grade/samples.h"
#include "app/grade/scope_panel.h"
#include "app/grade/shelf.h"
#include "app/grade/steps_panel.h"
#include "app/grade/work_area.h"
#include "app/preview_service.h"
#include "app/widgets/picture_view.h"

#include <QListView>
#include <QStackedWidget>

namespace baryton {

class TrayPanel;

/// The Grade task: tray, shelf or steps, the picture with its compare bar, the editor, the chain and the scopes.
class GradePage : public QWidget {
    Q_OBJECT
public:
    explicit GradePage(AppState& state, QWidget* parent = nullptr);

    /// Gives panels the sizes that they had, or have at first; to be called once they are styled, before they are
    /// seen.
    void restoreLayout();
    PictureView* view() const { return view_; }
    FrameView* frameView() const { return frame_; }
    GridView* grid() const { return grid_; }
    CompareBar* compareBar() const { return compare_; }
    ChainView* chain() const { return chain_; }
    const PreviewService& preview() const { return preview_; }
    EditorPanel* editorPanel() const { return panel_; }
    EditorPanel* pinnedPanel() const { return pinned_; }
    std::array<EditorPanel*, 2> panels() const { return {panel_, pinned_}; }
    ScopePanel* scopes() const { return scopes_; }
    QListView* tray() const;
    Shelf* shelf() const { return shelf_; }
    StepsPanel* steps() const { return steps_; }
    const Samples& samples() const { return samples_; }
    QString samplesText() const { return sampleList_->text(); }

    /// What stands between the tray and the picture.
    enum class Side { None, Shelf, Steps };
    void showSide(Side which);
    Side side() const { return openSide_; }
    WorkArea* area() const { return area_; }
    bool arePanelsShown() const { return area_->arePanelsShown(); }
    void showPanels(bool shown) { area_->showPanels(shown); }
    /// Held: the version before is shown as long as it is held.
    void holdBefore(bool held);
    /// The chosen stage or layer alone, or the whole grade again.
    void toggleAlone();
    bool isAlone() const { return !alone_.empty(); }
    /// Escape took back what the hand was doing on the picture.
    void takeBackPull();
    /// All layers that have a mask off, or on again.
    void toggleWithoutMasked();
    bool isWithoutMasked() const { return withoutMasked_; }
    /// Read behind the window; what can't be read is told.
    void loadReference(const std::filesystem::path& file);
    void chooseReference();
    /// From here on each press on the picture, or on the reference beside it, sets a sample point; until this is
    /// asked for again, Escape is pressed, or something else is picked.
    void toggleSampling();
    bool isSampling() const { return isSampling_ && hand_->isPicking(); }
    void setClipMarks(bool on) { scopes_->clips()->setChecked(on); }
    bool hasClipMarks() const { return scopes_->clips()->isChecked(); }
    void savePreset();
    void exportLut();
    /// The monitor, or what is proofed, is another one: what is kept as it was shown is made anew.
    void fitToScreen();

    /// What is to be seen of the key picture, for another window that shows it.
    struct Shown {
        int index = -1; ///< in the set; −1 for the reference
        int scene = 0;  ///< another one: the picture's places are others
        std::shared_ptr<const Pyramid> picture;
        Grade grade;
        std::optional<FrameSettings> framing; ///< the picture comes whole, while this frame is worked on
    };
    /// Now: what this page shows, be it the version before, while that is held.
    enum class Version { Now, Before, Reference };
    std::optional<Shown> shown(Version version) const;

Q_SIGNALS:
    void shownChanged(); ///< what is to be seen may be another now
    /// What the pointer is on, and how long the last frame took, for the status bar.
    void pointerText(const QString& text);
    void pictureText(const QString& text);
    void frameTime(double milliseconds);

protected:
    void showEvent(QShowEvent* event) override;

private:
    QWidget* makeChainBand();
    void connectState();
    void showGrade();
    void connectPicture();
    void connectHand();
    QPointF shareOf(QPointF picture) const; ///< a place of the picture in fractions of the frame
    bool placesStage() const;               ///< presses move the place of the chosen stage
    QSizeF pullReach() const;               ///< how far from a line a hand may be, in fractions of the frame
    void updateFigure();
    void connectFrame();
    void keyChanged();
    /// The Frame stage that is in hand and seen; nothing else is worked on then.
    std::optional<Stage> stageInFraming() const;
    void updateFraming();
    void requestFrame();
    /// What stands for the version before where that has other places than the picture now; null where not.
    QImage wholeBefore() const;
    void updateCompare();
    void showPointer(QPointF picture);
    void clearPointer();
    void showZoom();
    void showSamples();
    void addSample(int picture, QPointF at);
    void sampleNext();
    void openPictureMenu(QPointF position, QPoint global);
    enum class MaskStart { Ellipse, Ramp, Brush, Colours, Object };
    void addMaskedLayer(MaskStart start, QPointF share);
    PictureHand::Work workOfHand() const;
    /// The layer whose mask is to be seen over the picture; empty for none.
    std::string seenMask() const;
    void showVeil(const PreviewFrame& frame);
    /// A layer whose mask sees colours, by which what enters the Look is asked for; empty where there is none.
    static std::string colourMaskOf(const Grade& grade);
    void startPick(QObject* owner, const QString& what, TakePicked take);
    bool isPinned() const { return !pinned_->target().empty(); }
    bool hasPixels() const { return loadedFor_ == state_.key() && loaded_.pyramid; }
    Grade displayedGrade() const;
    PickedColour colourPicked(QPointF fraction) const;
    /// A place in fractions of what is shown, in fractions of the whole picture, where samples are kept; and back.
    QPointF ofWhole(QPointF shown) const;
    QPointF ofShown(QPointF whole) const;

    AppState& state_;
    /// Made before the panels: a frame is asked for first, and is drawn while they show what has changed.
    QMetaObject::Connection asksFirst_ = connect(&state_, &AppState::shownGradeChanged, this, &GradePage::showGrade);
    PreviewService preview_;
    PictureView* view_;
    GridView* grid_;
    FrameView* frame_;
    QStackedWidget* views_;
    CompareBar* compare_;
    ChainView* chain_;
    EditorPanel *panel_, *pinned_;
    ScopePanel* scopes_;
    TrayPanel* trayPanel_;
    QStackedWidget* side_; ///< shelf, steps
    Side openSide_ = Side::None;
    WorkArea* area_ = nullptr;
    Shelf* shelf_;
    StepsPanel* steps_;
    SampleList* sampleList_;
    PictureHand* hand_;
    Samples samples_;
    std::vector<int> marked_; ///< which of the samples each mark on the picture is
    Picture reference_;
    QString referenceName_;
    std::shared_ptr<const Pyramid> referenceLevels_; ///< for another window
    bool isSampling_ = false;                        ///< picks, one after the other, are sample points
    LoadedPicture loaded_;
    int loadedFor_ = -1;
    int scene_ = 0; ///< counts the pictures and frames that were shown
    bool held_ = false;
    std::string alone_;
    bool withoutMasked_ = false;
    std::string pointedMask_; ///< the layer whose mask is lit because the pointer is on its bracket
    void takeReference(const Picture& picture, const QString& name);
    int referenceWish_ = 0; ///< counts them: the newest one wins
    QString wiped_;         ///< the version that is wiped against another
    std::optional<std::array<float, 3>> pointedAfter_;
    struct PointerPlans {
        Plan all;                 ///< the whole grade
        std::vector<Plan> inputs; ///< what stands before the stage of each panel
    };
    Plan planOf(const Grade& grade) const; ///< on the whole picture
    bool isExact_ = true;                  ///< the last frame was not one of a moving control
    std::optional<PointerPlans> pointer_;  ///< made once for many moves of the pointer
};

} // namespace baryton
