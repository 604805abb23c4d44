#pragma once
#include "app/widgets/readable.h"

#include <QVector>
#include <QWidget>
#include <optional>

namespace baryton {

/// What each of a few sizes leaves amiss, on a logarithmic scale, and what it costs: a column for each, with a dot
/// for each of two measures, over a line that says how much is little enough.
///
/// A press on a column chooses it. The line is dragged up and down, or moved with the arrow keys.
class SizePlot : public QWidget, public Readable {
    Q_OBJECT
public:
    struct Column {
        QString name, cost;                  ///< what stands below it: "33", "0.9 MB"
        std::optional<double> first, second; ///< what is amiss; nothing while it is not known
        bool operator==(const Column&) const = default;
    };
    explicit SizePlot(QWidget* parent = nullptr);
    void setColumns(const QVector<Column>& columns);
    const QVector<Column>& columns() const { return columns_; }
    void setChosen(int column);
    void setEnough(double amiss);
    double enough() const { return enough_; }
    /// What the measures are called.
    void setNames(const QString& first, const QString& second) { names_ = {first, second}; }
    /// Where a column is pressed, and where the line lies.
    QPointF column(int index) const;
    double lineY() const;

    QSize sizeHint() const override { return {300, 100}; }
    QString inWords() const override;
    std::optional<Number> readableNumber() const override { return Number{enough_, kLeast, kMost, 0.05}; }
    void takeReadableNumber(double number) override;

    static constexpr double kLeast = 0.02, kMost = 10;

Q_SIGNALS:
    void chosen(int column);
    void enoughChanged(double amiss);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    QRectF plot() const;
    double yOf(double amiss) const;
    void moveLineTo(double y);
    void choose(double x);
    void takeEnough(double amiss);

    QVector<Column> columns_;
    std::pair<QString, QString> names_;
    int chosen_ = -1;
    double enough_ = 0.5;
    bool isDragging_ = false, isMoved_ = false;
};

} // namespace baryton
