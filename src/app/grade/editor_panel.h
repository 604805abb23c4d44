#pragma once
#include "app/grade/editors.h"
#include "app/grade/findings_strip.h"
#include "app/preview_service.h"
#include "app/widgets/whole_rows.h"

#include <QLineEdit>
#include <QPushButton>

namespace baryton {

/// The editor of the chosen stage or layer with what every one has: name, switch, reset, strength, kept settings. A
/// pinned panel keeps showing the stage that it was pinned to.
class EditorPanel : public QWidget {
    Q_OBJECT
public:
    enum class Role { Follows, Pinned };
    explicit EditorPanel(AppState& state, Role role = Role::Follows, QWidget* parent = nullptr);
    StageEditor* editor() const { return editor_; }
    void pin(const std::string& stageId);
    /// The stage or layer that it shows: the chosen one, or the one it is pinned to.
    const std::string& target() const { return role_ == Role::Pinned ? pinned_ : state_.chosenStage(); }

    void setInput(const PreviewScopes& scopes);
    void setReports(const std::vector<StageReport>& reports);
    void setPointed(std::optional<std::array<float, 3>> colour);
    void setPins(const QVector<HuePicks::Pin>& pins);
    void picturePressed(const PickedColour& colour);
    void pictureDragged(QPointF offset, Qt::KeyboardModifiers modifiers);
    /// Presses on the picture work the stage.
    bool isOnPicture() const { return onPicture_->isChecked() && onPicture_->isVisibleTo(this); }
    QPushButton* onPictureButton() const { return onPicture_; }
    FindingsStrip* findings() const { return findings_; }

Q_SIGNALS:
    void savePresetWanted();
    void exportLutWanted();
    void shelfWanted();
    void stepsWanted();
    void onPictureToggled(bool on);
    void pinWanted(const std::string& stageId);
    void unpinWanted();
    void pickWanted(const QString& what, baryton::TakePicked take);
    void litChanged(const QImage& mask); ///< these five: see StageEditor
    void lineFound(const QLineF& line);
    void guideChosen(int guide);
    void linesWanted(bool draws);
    void figureChanged();

private:
    void rebuild();
    void refresh();
    void makeFoot(QVBoxLayout* layout);
    void openKept();
    void keepSettings();
    const Layer* chosenLayer() const;
    void editLayer(const QString& gesture, const std::function<void(Layer&)>& change);

    AppState& state_;
    Role role_;
    std::string pinned_;
    QPushButton *dot_, *onPicture_, *more_, *reset_;
    QLabel* title_;
    FindingsStrip* findings_;
    WholeRows* scroll_;
    ValueRow* strength_;
    StageEditor* editor_ = nullptr;
    QVector<HuePicks::Pin> pins_;
    Picture shownInput_;   ///< what the editor was last told of; an unchanged one is not worked through again
    std::string shownFor_; ///< id and type of what the editor was built for
};

} // namespace baryton
