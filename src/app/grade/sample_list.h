#pragma once
#include "render/scopes.h"

#include <QPushButton>
#include <QVector>
#include <QWidget>

namespace baryton {

/// The sample points in numbers, below the tray, where they lie over nothing: for each its mark, its colour before
/// and after, and the hue with the one that lies opposite. Hidden while there are none.
class SampleList : public QWidget {
    Q_OBJECT
public:
    struct Entry {
        QString label;
        SampledPoint point;
        QString text;     ///< in full, for the tooltip and for assistive tools
        QString distance; ///< from the sample that it belongs to; stands in place of the hue
    };
    explicit SampleList(QWidget* parent = nullptr);
    void show(const QVector<Entry>& entries);
    /// All of them, a line each.
    QString text() const;

Q_SIGNALS:
    void clearWanted();

private:
    class Rows;
    Rows* rows_;
};

} // namespace baryton
