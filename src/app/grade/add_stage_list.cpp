#include "app/grade/add_stage_list.h"
#include "app/grade/stage_commands.h"
#include "app/theme/theme.h"
#include "stages/examples.h"

#include <QKeyEvent>
#include <QVBoxLayout>

namespace baryton {

AddStageList::AddStageList(AppState& state, QWidget* parent)
    : QFrame(parent, Qt::Popup), state_(state), search_(new QLineEdit), list_(new QListWidget) {
    setObjectName(QStringLiteral("popup"));
    setAttribute(Qt::WA_DeleteOnClose);
    setAccessibleName(tr("Add a stage"));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(8, 8, 8, 8);
    layout->setSpacing(6);
    search_->setPlaceholderText(tr("Find a stage"));
    search_->setAccessibleName(tr("Find a stage"));
    layout->addWidget(search_);
    list_->setAccessibleName(tr("Stages"));
    list_->setIconSize({84, 56});
    list_->setWordWrap(true);
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    layout->addWidget(list_, 1);
    resize(360, 460);
    std::vector<TileDrawer::Tile> tiles;
    const Picture small = state.hasKey() ? state.pictures().smallOf(state.key()) : Picture();
    for (const StageType* type : stageTypes()) {
        if (!type->standsIn(Part::Look)) continue;
        auto* item = new QListWidgetItem(
            QStringLiteral("%1\n%2").arg(QString::fromStdString(type->name), QString::fromStdString(type->summary)),
            list_);
        item->setData(Qt::UserRole, QString::fromStdString(type->id));
        QPixmap empty(168, 112);
        empty.fill(theme::colours().well);
        item->setIcon(empty);
        if (small.isEmpty()) continue;
        // As it would look if it were added now, at a setting that shows what it is for.
        Grade grade = state.keyGrade();
        Stage stage = makeStage(grade, type->id);
        stage.parameters = exampleOf(type->id);
        if (grade.look.empty()) grade.look = startingGrade().look;
        grade.look.back().stages.push_back(std::move(stage));
        tiles.push_back({list_->count() - 1, std::move(grade), small});
    }
    connect(&drawer_, &TileDrawer::drawn, this, [this](int row, const QImage& image) {
        list_->item(row)->setIcon(
            QPixmap::fromImage(image.scaled(168, 112, Qt::KeepAspectRatioByExpanding, Qt::SmoothTransformation)));
    });
    drawer_.draw(std::move(tiles));
    list_->setCurrentRow(0);
    search_->installEventFilter(this);
    connect(search_, &QLineEdit::textChanged, this, &AddStageList::filter);
    connect(search_, &QLineEdit::returnPressed, this, [this] { take(list_->currentItem()); });
    connect(list_, &QListWidget::itemClicked, this, &AddStageList::take);
    connect(list_, &QListWidget::itemActivated, this, &AddStageList::take);
}

void AddStageList::popup(QPoint lowerLeft) {
    move(lowerLeft - QPoint(0, height() + 4));
    show();
    search_->setFocus();
}

void AddStageList::filter() {
    QListWidgetItem* first = nullptr;
    for (int row = 0; row < list_->count(); ++row) {
        QListWidgetItem* item = list_->item(row);
        item->setHidden(!item->text().contains(search_->text().trimmed(), Qt::CaseInsensitive));
        if (!item->isHidden() && !first) first = item;
    }
    list_->setCurrentItem(first);
}

void AddStageList::take(QListWidgetItem* item) {
    if (!item || item->isHidden()) return;
    const std::string type = item->data(Qt::UserRole).toString().toStdString();
    close();
    addStage(state_, type);
}

bool AddStageList::eventFilter(QObject* watched, QEvent* event) {
    if (watched == search_ && event->type() == QEvent::KeyPress) {
        const int key = static_cast<QKeyEvent*>(event)->key();
        if (key == Qt::Key_Down || key == Qt::Key_Up) {
            int row = list_->currentRow();
            do row += key == Qt::Key_Down ? 1 : -1;
            while (row >= 0 && row < list_->count() && list_->item(row)->isHidden());
            if (row >= 0 && row < list_->count()) list_->setCurrentRow(row);
            return true;
        }
        if (key == Qt::Key_Escape) {
            close();
            return true;
        }
    }
    return QFrame::eventFilter(watched, event);
}

} // namespace baryton
