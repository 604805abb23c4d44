#pragma once
#include <QSplitter>
#include <QWidget>

namespace baryton {

/// Where the panels of Grade stand and how wide they are. The edges between them can be dragged and come back at the
/// next start. Where the window is too narrow for all, the editor gives back what it was dragged wider, then the
/// pinned editor folds, then the tray, as long as it is.
///
///     tray | shelf or steps | picture | pinned editor | editor
///     chain ..........................................| scopes
class WorkArea : public QWidget {
    Q_OBJECT
public:
    struct Panels {
        QWidget *tray, *side, *picture, *pinned, *editor, *chain, *scopes;
    };
    explicit WorkArea(const Panels& panels, QWidget* parent = nullptr);
    /// As the edges were dragged when the program was left, or as they are at first.
    void restoreEdges();

    void showSide(bool shown);
    void showPinned(bool shown);
    void showPanels(bool shown);
    bool arePanelsShown() const { return areShown_; }
    void setTrayWidth(int width);
    void setScopeHeight(int height);
    int scopeHeight() const { return panels_.scopes->height(); }
    QSplitter* across() const { return across_; }   ///< tray, side, picture, pinned editor
    QSplitter* columns() const { return columns_; } ///< all of these, editor and scopes
    QSplitter* right() const { return right_; }     ///< editor over scopes
    QSize minimumSizeHint() const override { return {kLeastWidth, kLeastHeight}; }

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    static constexpr int kLeastWidth = 720, kLeastHeight = 400;
    void fit();
    Panels panels_;
    QSplitter *across_, *columns_, *right_;
    bool areShown_ = true, hasSide_ = false, hasPinned_ = false;
};

} // namespace baryton
