#include "app/dragged_files.h"

#include <QApplication>
#include <QDrag>
#include <QMimeData>
#include <QMouseEvent>
#include <QUrl>

namespace baryton {

QMimeData* asDragged(const std::vector<std::filesystem::path>& files) {
    QList<QUrl> places;
    std::error_code ignored;
    for (const auto& file : files)
        places.append(QUrl::fromLocalFile(QString::fromStdString(std::filesystem::absolute(file, ignored).string())));
    auto* data = new QMimeData;
    data->setUrls(places);
    return data;
}

namespace {

class CellDrag : public QObject {
public:
    using FilesOf = std::function<std::vector<std::filesystem::path>(const QModelIndex&)>;
    CellDrag(QAbstractItemView* view, FilesOf filesOf) : QObject(view), view_(view), filesOf_(std::move(filesOf)) {
        view->viewport()->installEventFilter(this);
    }

protected:
    bool eventFilter(QObject* watched, QEvent* event) override {
        if (event->type() == QEvent::MouseButtonPress) pressedAt_ = static_cast<QMouseEvent*>(event)->pos();
        if (event->type() != QEvent::MouseMove) return QObject::eventFilter(watched, event);
        const auto* move = static_cast<QMouseEvent*>(event);
        if (!(move->buttons() & Qt::LeftButton) ||
            (move->pos() - pressedAt_).manhattanLength() < QApplication::startDragDistance())
            return false;
        const auto files = filesOf_(view_->indexAt(pressedAt_));
        if (files.empty()) return false;
        auto* drag = new QDrag(view_);
        drag->setMimeData(asDragged(files));
        drag->exec(Qt::CopyAction);
        return true;
    }

private:
    QAbstractItemView* view_;
    FilesOf filesOf_;
    QPoint pressedAt_;
};

} // namespace

void dragFilesFrom(QAbstractItemView* view,
                   const std::function<std::vector<std::filesystem::path>(const QModelIndex&)>& filesOf) {
    new CellDrag(view, filesOf);
}

} // namespace baryton
