#include "app/grade/shelf_model.h"
#include "app/grade/tone_editors.h"
#include "app/widgets/labels.h"
#include "stages/film_response.h"
#include "stages/finish_order.h"

#include <QHBoxLayout>
#include <algorithm>

namespace baryton {

FilmEditor::FilmEditor(AppState& state, const std::string& stageId, QWidget* parent)
    : StageEditor(state, stageId, parent), characters_(new QListWidget), summary_(new StillText(3)),
      grain_(makeButton(tr("Add its grain"), "")), halation_(makeButton(tr("Add its halation"), "")) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(6);
    characters_->setAccessibleName(tr("Response"));
    characters_->setItemDelegate(new ShelfDelegate(characters_));
    characters_->setFlow(QListView::LeftToRight);
    characters_->setWrapping(true);
    characters_->setResizeMode(QListView::Adjust);
    characters_->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    characters_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    characters_->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOn);
    characters_->setMouseTracking(true);
    constexpr int rows = 2, tile = 86, frame = 2;
    characters_->setFixedHeight(rows * tile + frame);
    for (const auto& option : type().parameter("response")->options) {
        auto* item = new QListWidgetItem(QString::fromStdString(option.name), characters_);
        for (const FilmCharacter& c : filmCharacters()) {
            if (c.id != option.id) continue;
            const QString kind = c.kind == FilmCharacter::Kind::Negative   ? tr("negative")
                                 : c.kind == FilmCharacter::Kind::Reversal ? tr("reversal")
                                                                           : tr("mono");
            item->setText(QString::fromStdString(c.name));
            item->setData(Qt::AccessibleDescriptionRole,
                          QStringLiteral("%1: %2").arg(kind, QString::fromStdString(c.summary)));
        }
    }
    layout->addWidget(characters_);
    layout->addWidget(summary_);
    grain_->setToolTip(tr("A Grain in Finish as this film has it; where there is one, it takes its values"));
    halation_->setToolTip(tr("A Halation in Finish as this film has it; where there is one, it takes its values"));
    auto* body = new QHBoxLayout;
    for (const auto& [button, id] : {std::pair(grain_, "grain"), std::pair(halation_, "halation")}) {
        body->addWidget(button);
        connect(button, &QPushButton::clicked, this,
                [this, id = std::string(id)] { state_.editKey(withBody(state_.keyGrade(), id)); });
    }
    body->addStretch(1);
    layout->addLayout(body);
    for (const ParameterType& p : type().parameters)
        if (p.kind == ParameterKind::Number && p.id.rfind("limits.", 0) != 0) addRow(layout, p.id);
    addLimits(layout);
    layout->addStretch(1);
    drawTimer_.setSingleShot(true);
    drawTimer_.setInterval(250);
    connect(&drawTimer_, &QTimer::timeout, this, &FilmEditor::drawCharacters);
    connect(&drawer_, &TileDrawer::drawn, this,
            [this](int row, const QImage& image) { characters_->item(row)->setData(Qt::DecorationRole, image); });
    characters_->viewport()->installEventFilter(this);
    connect(characters_, &QListWidget::itemEntered, this,
            [this](const QListWidgetItem* item) { pointAt(characters_->row(item)); });
    connect(characters_, &QListWidget::currentRowChanged, this, [this](int row) {
        if (showing_ || row < 0) return;
        pointAt(-1);
        set({{"response", type().parameter("response")->options[static_cast<std::size_t>(row)].id}}, true);
    });
    FilmEditor::refresh();
}

void FilmEditor::refresh() {
    // What is chosen, not what is pointed at: the tick must not run about under the pointer.
    const auto place = findStage(state_.keyGrade(), stageId());
    const Stage kept = place ? stageAt(state_.keyGrade(), *place) : stage();
    const int chosen = ParameterReader(type(), kept).choiceIndex("response");
    showing_ = true;
    if (characters_->currentRow() != chosen) characters_->setCurrentRow(chosen);
    for (int row = 0; row < characters_->count(); ++row)
        characters_->item(row)->setData(ShelfModel::IsChosenRole, row == chosen);
    showing_ = false;
    const QListWidgetItem* told = characters_->item(pointed_ >= 0 ? pointed_ : chosen);
    summary_->setText(told ? told->data(Qt::AccessibleDescriptionRole).toString() : QString());
    refreshRows();
    for (const auto& [button, id] : {std::pair(grain_, "grain"), std::pair(halation_, "halation")})
        button->setEnabled(withBody(state_.keyGrade(), id) != state_.keyGrade());
    if (!state_.isTrying() && with(state_.keyGrade(), 0) != drawnFor_) drawTimer_.start();
}

Grade FilmEditor::withBody(const Grade& grade, const std::string& stageType) const {
    const auto place = findStage(grade, stageId());
    if (!place) return grade;
    const FilmCharacter* film = findFilmCharacter(ParameterReader(type(), stageAt(grade, *place)).choice("response"));
    if (!film) return grade;
    Grade next = grade;
    const auto there =
        std::find_if(next.finish.begin(), next.finish.end(), [&](const Stage& s) { return s.type == stageType; });
    Stage& stage = there != next.finish.end() ? *there : next.finish.emplace_back(makeStage(next, stageType));
    const auto values = stageType == "grain" ? grainOf(*film) : halationOf(*film);
    for (const auto& [id, value] : values) stage.parameters[id] = value;
    // A parameter at its default is not said.
    for (const auto& [id, value] : values)
        if (findStageType(stageType)->parameter(id)->defaultValue == value) stage.parameters.erase(id);
    orderFinish(next);
    return next;
}

Grade FilmEditor::with(const Grade& grade, int row) const {
    Grade next = grade;
    if (const auto place = findStage(next, stageId()))
        stageAt(next, *place).parameters["response"] =
            type().parameter("response")->options[static_cast<std::size_t>(row)].id;
    return next;
}

void FilmEditor::pointAt(int row) {
    if (row == pointed_) return;
    pointed_ = row;
    if (row < 0)
        state_.tryChange({});
    else
        state_.tryChange([this, row](const Grade& grade) { return with(grade, row); });
    refresh();
}

void FilmEditor::drawCharacters() {
    if (!isVisible() || !state_.hasKey()) return;
    const Picture small = state_.pictures().smallOf(state_.key());
    if (small.isEmpty()) return;
    drawnFor_ = with(state_.keyGrade(), 0);
    std::vector<TileDrawer::Tile> tiles;
    for (int row = 0; row < characters_->count(); ++row) tiles.push_back({row, with(state_.keyGrade(), row), small});
    drawer_.draw(std::move(tiles));
}

bool FilmEditor::eventFilter(QObject* watched, QEvent* event) {
    if (watched == characters_->viewport() && event->type() == QEvent::Leave) pointAt(-1);
    return StageEditor::eventFilter(watched, event);
}

} // namespace baryton
