#pragma once
#include <QAbstractItemView>
#include <filesystem>
#include <functional>
#include <vector>

class QMimeData;

namespace baryton {

// Files dragged out of the window into other programs: they get the place of each file, to copy or to open. They are
// never moved: what is here stays here.

/// Files as what is dragged; never null.
QMimeData* asDragged(const std::vector<std::filesystem::path>& files);

/// Lets files be dragged from cells of a view in which nothing is chosen, by where the hand presses.
void dragFilesFrom(QAbstractItemView* view,
                   const std::function<std::vector<std::filesystem::path>(const QModelIndex&)>& filesOf);

} // namespace baryton
