#pragma once
#include "app/widgets/picture_figure.h"
#include "app/widgets/readable.h"

#include <QImage>
#include <QWidget>
#include <optional>

namespace baryton {

/// Shows a part of a picture at a scale, and a second version of it to compare with. It asks for pixels by telling
/// which region is seen; until they come it shows what it has, moved and scaled to the place.
///
/// Wheel: zoom about the pointer. Drag, or drag with the space bar held: pan. Double click: fit or 100 %. The wipe's
/// line is dragged. Side by side, both panes show the same place at the same scale, one beside or above the other,
/// whichever shows more; in the place of the version before a reference picture can stand, fitted.
class PictureView : public QWidget, public Readable {
    Q_OBJECT
public:
    /// A rectangle of the picture as it is seen.
    struct Region {
        double left = 0, top = 0;  ///< in pixels of the picture
        int width = 0, height = 0; ///< in device pixels of the screen
        double scale = 1;          ///< device pixels per picture pixel
        bool operator==(const Region&) const = default;
    };
    enum class Compare { After, Before, Wipe, WipeAcross, Beside, Reference };
    /// A place of the picture that is marked: a ring with a number.
    struct Mark {
        QPointF picture;
        QString label;
        bool operator==(const Mark&) const = default;
    };

    explicit PictureView(QWidget* parent = nullptr);

    /// A picture of another size comes: fits it, forgets the old pixels.
    void setPictureSize(QSize size);
    QSize pictureSize() const { return size_; }
    void setImages(const QImage& after, const QImage& before, const Region& region);
    void setCompare(Compare compare);
    Compare compare() const { return compare_; }
    void setBeforeName(const QString& name);
    /// A picture with other places than this one that stands for the version before, fitted; not where a line runs
    /// between the two. A null image: there is none.
    void setWholeBefore(const QImage& image);
    /// What stands against the version before; empty: "now".
    void setNowName(const QString& name);
    /// A picture of any kind to lie beside; a null image takes it away.
    void setReference(const QImage& image, const QString& name);
    bool hasReference() const { return !reference_.isNull(); }
    /// Where on the reference picture a position of the widget lies, in fractions of it; nothing elsewhere.
    std::optional<QPointF> toReference(QPointF position) const;
    void setMarks(const QVector<Mark>& marks);
    /// The mark under a position, or −1.
    int markAt(QPointF position) const;
    /// Lines and handles by which a stage is placed, drawn over the picture as it is now.
    void setFigure(const PictureFigure& figure);
    const PictureFigure& figure() const { return figure_; }
    /// Pixels of the picture that lie at an end of a channel are painted in the colour of the channels concerned.
    void setClipMarks(bool shadows, bool highlights);
    /// A mask over the whole picture, in shares of 255: what has little of it is darkened. A null image lights all.
    void setLit(const QImage& mask);
    /// Something over the pixels of a region (see MaskVeil), of the same size; a null image takes it away.
    void setVeil(const QImage& veil);
    bool hasVeil() const { return !veil_.isNull(); }
    /// A frame round the view, beside the picture: what is done to it is done to others too.
    void setShared(bool shared);
    /// A word over the picture's upper edge: what is shown in place of the whole grade.
    void setTag(const QString& text);
    /// A line over the picture when there is nothing to show (loading, an error).
    void setNotice(const QString& text);
    QString notice() const { return notice_; }

    void fit();
    void zoomTo(double scale, std::optional<QPointF> about = {}); ///< device pixels per picture pixel
    bool isFitted() const { return fitted_; }
    /// Which place of the picture is seen, and how large; two views of one picture can share it.
    struct Place {
        bool isFitted = true;
        double scale = 1; ///< device pixels per picture pixel
        QPointF centre{}; ///< in pixels of the picture
    };
    Place place() const { return {fitted_, scale_, centre_}; }
    void showPlace(const Place& place);
    double scale() const;
    Region region() const; ///< what is seen now; empty without a picture
    /// Widget position ↔ picture position.
    QPointF toPicture(QPointF position) const;
    QPointF fromPicture(QPointF picture) const;
    double wipePosition() const { return wipe_; }
    QImage shownAfter() const { return after_; }
    QImage shownBefore() const { return before_; }
    /// Whether a press here moves the wipe's line.
    bool onWipeLine(QPointF position) const;
    /// What the pointer looks like where a press on the picture does more than pan.
    void setPressCursor(std::optional<Qt::CursorShape> shape);
    bool isPanHeld() const { return spaceHeld_; } ///< the space bar: dragging pans whatever else it could do

    QSize sizeHint() const override { return {820, 550}; }
    QString inWords() const override;
    QAccessible::Role readableRole() const override { return QAccessible::Graphic; }

Q_SIGNALS:
    void regionChanged();
    void zoomChanged();
    void pointed(QPointF picture); ///< the pointer is on this place of the picture
    void pointerLeft();
    void painted(); ///< new pixels have come to the screen

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void leaveEvent(QEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void keyReleaseEvent(QKeyEvent* event) override;

private:
    static constexpr int kFitMargin = 10; ///< around a fitted picture
    double fitScale() const;
    bool isSplit() const;
    bool splitsAcross() const;    ///< the panes lie one above the other
    QRectF pane(int which) const; ///< 0: the version before, 1: now; the whole widget when there is but one
    QPointF paneMiddle(QPointF position) const;
    bool isWiping() const { return compare_ == Compare::Wipe || compare_ == Compare::WipeAcross; }
    void showCursor();
    QString nowName() const;
    void fillAround(QPainter& painter) const;
    void drawPane(QPainter& painter, int which, const QImage& image) const;
    /// All of another picture, in a pane; where it lies.
    QRectF drawFitted(QPainter& painter, int which, const QImage& image) const;
    bool showsWholeBefore() const { return compare_ == Compare::Before && !wholeBefore_.isNull(); }
    void drawMarks(QPainter& painter) const;
    QRectF target(const Region& region) const; ///< where a region's pixels go, in widget coordinates
    void hold();
    void changed();
    QRectF seen() const; ///< of the picture, in the pane that shows it now
    void makeClips();

    QSize size_;
    bool fitted_ = true;
    double scale_ = 1;
    QPointF centre_; ///< of the view, in pixels of the picture
    QImage after_, before_, wholeBefore_, reference_, clips_;
    QImage veil_;  ///< of the shown region
    QImage shade_; ///< black where the picture is not lit
    QString referenceName_, tag_;
    QVector<Mark> marks_;
    PictureFigure figure_;
    bool clipShadows_ = false, clipHighlights_ = false, spaceHeld_ = false, isShared_ = false;
    Region shown_;
    Compare compare_ = Compare::After;
    QString beforeName_, nowName_, notice_;
    std::optional<Qt::CursorShape> pressCursor_;
    QPointF pointerAt_;
    double wipe_ = 0.5; ///< of the visible picture's width
    enum class Drag { None, Pan, Wipe } drag_ = Drag::None;
    QPointF dragAt_;
    bool fresh_ = false;
};

} // namespace baryton
