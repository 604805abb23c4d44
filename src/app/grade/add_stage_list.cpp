#include "app/grade/add_stage_list.h"
#include "app/grade/stage_commands.h"
#include "app/theme/theme.h"
#include "app/widgets/wrapped_rows.h"
#include "stages/examples.h"
#include "stages/purposes.h"
#include "stages/raw.h"

namespace baryton {

namespace {
constexpr int kSought = Qt::UserRole + 1; ///< what the typed words are sought in
constexpr int kGoes = Qt::UserRole + 2;   ///< the part that it is added to
} // namespace

AddStageList::AddStageList(AppState& state, AddAt at, std::optional<Part> part, QWidget* parent)
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
    std::vector<StageOffer> offers = stageOffers();
    if (part) {
        offers.clear();
        // Of all stages one that is there can be found and taken in hand; a part's own + only adds.
        for (const StageType* type : stageTypes())
            if (canAddStage(*type, *part) && !holds(state.shownGrade(), *part, type->id))
                offers.push_back({type, *part, QString::fromStdString(type->name)});
    }
    for (const auto& [type, goes, title] : offers) {
        auto* item =
            new QListWidgetItem(QStringLiteral("%1\n%2").arg(title, QString::fromStdString(type->summary)), list());
        item->setData(Qt::UserRole, QString::fromStdString(type->id));
        item->setData(kGoes, static_cast<int>(goes));
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
        if (goes != Part::Look)
            std::erase_if(goes == Part::Prep ? grade.prep : grade.finish,
                          [&](const Stage& s) { return s.type == type->id; });
        putStage(grade, std::move(stage), goes, at, state.chosenStage());
        // What is there is in its frame already.
        Geometry geometry;
        if (type->id == kFrameType) geometry.frame = frameOf(grade);
        if (type->id == kLensType) geometry.lens = correctionFor(lensOf(grade), {});
        tiles.push_back({list()->count() - 1, std::move(grade),
                         placed(small, placementOf(geometry, small.width(), small.height()))});
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
    constexpr int rowHeight = 76, head = 70;
    resize(width(), std::min(height(), head + list()->count() * rowHeight));
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
    addStage(state_, item->data(Qt::UserRole).toString().toStdString(), at_,
             static_cast<Part>(item->data(kGoes).toInt()));
}

} // namespace baryton
