#pragma once
#include <QImage>
#include <QWidget>
#include <optional>

namespace baryton {

/// Shows a part of a picture at a scale, and a second version of it to compare with. It asks for pixels by telling
/// which region is seen; until they come it shows what it has, moved and scaled to the place.
///
/// Wheel: zoom about the pointer. Drag: pan. Double click: fit or 100 %. The wipe's line is dragged.
class PictureView : public QWidget {
    Q_OBJECT
public:
    /// A rectangle of the picture as it is seen.
    struct Region {
        double left = 0, top = 0;  ///< in pixels of the picture
        int width = 0, height = 0; ///< in device pixels of the screen
        double scale = 1;          ///< device pixels per picture pixel
        bool operator==(const Region&) const = default;
    };
    enum class Compare { After, Before, Wipe };

    explicit PictureView(QWidget* parent = nullptr);

    /// A picture of another size comes: fits it, forgets the old pixels.
    void setPictureSize(QSize size);
    QSize pictureSize() const { return size_; }
    void setImages(const QImage& after, const QImage& before, const Region& region);
    void setCompare(Compare compare);
    Compare compare() const { return compare_; }
    void setBeforeName(const QString& name);
    /// A line over the picture when there is nothing to show (loading, an error).
    void setNotice(const QString& text);

    void fit();
    void zoomTo(double scale, std::optional<QPointF> about = {}); ///< device pixels per picture pixel
    bool isFitted() const { return fitted_; }
    double scale() const;
    Region region() const; ///< what is seen now; empty without a picture
    /// Widget position ↔ picture position.
    QPointF toPicture(QPointF position) const;
    QPointF fromPicture(QPointF picture) const;
    double wipePosition() const { return wipe_; }
    QImage shownAfter() const { return after_; }

    QSize sizeHint() const override { return {820, 550}; }

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

private:
    double fitScale() const;
    QRectF target(const Region& region) const; ///< where a region's pixels go, in widget coordinates
    void hold();
    void changed();
    double wipeX() const;
    void drawTag(QPainter& painter, const QString& text, Qt::Alignment side) const;

    QSize size_;
    bool fitted_ = true;
    double scale_ = 1;
    QPointF centre_; ///< of the view, in pixels of the picture
    QImage after_, before_;
    Region shown_;
    Compare compare_ = Compare::After;
    QString beforeName_, notice_;
    double wipe_ = 0.5; ///< of the visible picture's width
    enum class Drag { None, Pan, Wipe } drag_ = Drag::None;
    QPointF dragAt_;
    bool fresh_ = false;
};

} // namespace baryton
