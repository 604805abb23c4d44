#include "app/grade/add_stage_list.h"
#include "app/grade/stage_commands.h"
#include "app/theme/theme.h"
#include "app/widgets/wrapped_rows.h"
#include "stages/examples.h"
#include "stages/frame.h"
#include "stages/purposes.h"

namespace baryton {

namespace {
constexpr int kSought = Qt::UserRole + 1; ///< what the typed words are sought in
}

AddStageList::AddStageList(AppState& state, AddAt at, QWidget* parent)
    : FindPopup(tr("Add a stage"), tr("Find a stage, or what it is for"),
                tr("No stage has to do with that. Try what the picture should become: “soft”, “faded”, “warmer”, "
                   "“black and white”."),
                parent),
      state_(state), at_(at) {
    list()->setIconSize({84, 56});
    list()->setWordWrap(true);
    list()->setItemDelegate(new WrappedRows(list()));
    list()->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    list()->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOn); // the rows are as high as its room asks
    resize(360, 460);
    std::vector<TileDrawer::Tile> tiles;
    const Picture small = state.hasKey() ? state.pictures().smallOf(state.key()) : Picture();
    for (const StageType* type : stageTypes()) {
        const bool isLook = type->standsIn(Part::Look);
        if (!canAddStage(*type)) continue;
        const QString name = QString::fromStdString(type->name);
        auto* item = new QListWidgetItem(QStringLiteral("%1\n%2").arg(isLook ? name
                                                                      : type->standsIn(Part::Prep)
                                                                          ? tr("%1 (Prep)").arg(name)
                                                                          : tr("%1 (Finish)").arg(name),
                                                                      QString::fromStdString(type->summary)),
                                         list());
        item->setData(Qt::UserRole, QString::fromStdString(type->id));
        item->setData(kSought, item->text() + u'\n' + QString::fromStdString(purposesOf(type->id)));
        QPixmap empty(168, 112);
        empty.fill(theme::colours().well);
        item->setIcon(empty);
        if (small.isEmpty()) continue;
        // As it would look if it were added now, at a setting that shows what it is for.
        Grade grade = state.keyGrade();
        Stage stage = makeStage(grade, type->id);
        stage.parameters = exampleOf(type->id);
        if (grade.look.empty()) grade.look = startingGrade().look;
        if (isLook) {
            grade.look.back().stages.push_back(std::move(stage));
        } else if (type->standsIn(Part::Prep)) {
            std::erase_if(grade.prep, [&](const Stage& s) { return s.type == type->id; });
            grade.prep.push_back(std::move(stage));
        } else {
            std::erase_if(grade.finish, [&](const Stage& s) { return s.type == type->id; });
            grade.finish.push_back(std::move(stage));
        }
        // What is there is in its frame already.
        const FrameSettings frame = type->id == kFrameType ? frameOf(grade) : FrameSettings();
        tiles.push_back({list()->count() - 1, std::move(grade),
                         placed(small, placementOf(frame, small.width(), small.height()))});
    }
    connect(&drawer_, &TileDrawer::drawn, this, [this](int row, const QImage& image) {
        const QPixmap picture =
            QPixmap::fromImage(image.scaled(168, 112, Qt::KeepAspectRatioByExpanding, Qt::SmoothTransformation));
        QIcon icon(picture);
        icon.addPixmap(picture, QIcon::Selected); // or the chosen row's would be tinted
        list()->item(row)->setIcon(icon);
    });
    drawer_.draw(std::move(tiles));
    list()->setCurrentRow(0);
}

void AddStageList::popup(QPoint lowerLeft) {
    move(lowerLeft - QPoint(0, height() + 4));
    show();
    search()->setFocus();
}

void AddStageList::filter() {
    QListWidgetItem* first = nullptr;
    for (int row = 0; row < list()->count(); ++row) {
        QListWidgetItem* item = list()->item(row);
        item->setHidden(!hasAllWords(item->data(kSought).toString(), search()->text()));
        if (!item->isHidden() && !first) first = item;
    }
    list()->setCurrentItem(first);
}

void AddStageList::take(QListWidgetItem* item) {
    addStage(state_, item->data(Qt::UserRole).toString().toStdString(), at_);
}

} // namespace baryton
