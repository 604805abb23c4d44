#pragma once
#include <QListView>

namespace baryton {

/// A list whose rows are all of one size, whatever they show: what changes in a row is painted anew, where QListView
/// would lay out the whole list.
class StillList : public QListView {
public:
    using QListView::QListView;

protected:
    void dataChanged(const QModelIndex& topLeft, const QModelIndex& bottomRight, const QList<int>& roles) override {
        QAbstractItemView::dataChanged(topLeft, bottomRight, roles);
    }
};

} // namespace baryton
