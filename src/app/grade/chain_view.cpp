#include "app/grade/chain_view.h"
#include "app/grade/add_stage_list.h"
#include "app/grade/miniatures.h"
#include "app/grade/stage_commands.h"
#include "app/picture_model.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "grade/mask_links.h"
#include "stages/blend.h"

#include <QApplication>
#include <QContextMenuEvent>
#include <QInputDialog>
#include <QMenu>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>

namespace baryton {

namespace {
constexpr int kCardTop = StageCard::kTop, kStringY = StageCard::kStringY;
constexpr int kGap = 8, kSource = 54;
constexpr QSize kMaskPicture(26, 17);
constexpr int kLeastCard = 76; ///< px that a card may shrink to: its name on two lines

/// Where the picture stands, at the string's left end.
QRect sourceBox() {
    return {8, kStringY - kSource / 2, kSource, kSource};
}

} // namespace

ChainView::ChainView(AppState& state, QWidget* parent) : QWidget(parent), state_(state) {
    setAccessibleName(tr("Chain"));
    const auto makeAdd = [this](Part part, const QString& name) {
        auto* add = makeButton({}, "", this);
        add->setIcon(theme::icon(QStringLiteral("plus")));
        add->setAccessibleName(name);
        add->setFixedSize(28, StageCard::kSize.height());
        connect(add, &QPushButton::clicked, this,
                [this, part] { openAddList(AddAt::End, part == Part::Look ? std::nullopt : std::optional(part)); });
        addButtons_[part] = add;
    };
    makeAdd(Part::Prep, tr("Add to Prep"));
    makeAdd(Part::Look, tr("Add a stage"));
    makeAdd(Part::Finish, tr("Add to the Finish"));
    connect(&state, &AppState::shownGradeChanged, this, &ChainView::rebuild);
    connect(&state, &AppState::stageChosen, this, [this] {
        for (StageCard* each : cards_) each->update();
        update();
        if (StageCard* chosen = card(state_.chosenStage())) Q_EMIT cardShown(chosen);
    });
    connect(&state.pictures(), &PictureSet::thumbnailChanged, this, [this](int index) {
        if (index == state_.key()) update(sourceBox().adjusted(-1, -1, 1, 1));
    });
    setMouseTracking(true);
    rebuild();
}

ChainView::~ChainView() {
    delete addList_; // while there are cards that it can hand the focus to
}

void ChainView::openAddList(AddAt at, std::optional<Part> part) {
    auto* list = new AddStageList(state_, at, part, this);
    addList_ = list;
    connect(list, &QObject::destroyed, this, [this] {
        if (StageCard* chosen = card(state_.chosenStage())) chosen->setFocus();
    });
    list->popup(addButtons_.at(part.value_or(Part::Look))->mapToGlobal(QPoint(0, 0)));
}

StageCard* ChainView::card(const std::string& stageId) const {
    for (StageCard* each : cards_)
        if (each->stageId() == stageId) return each;
    return nullptr;
}

void ChainView::rebuild() {
    const Grade& grade = state_.shownGrade();
    std::vector<std::string> shape;
    for (const auto& place : stagePlaces(grade)) shape.push_back(stageAt(grade, place).id);
    const bool isOther = shape != shape_;
    if (isOther) {
        shape_ = shape;
        for (StageCard* each : cards_) each->deleteLater();
        cards_.clear();
        for (const auto& id : shape) {
            auto* made = new StageCard(state_, id, this);
            connect(made, &StageCard::chosen, this, [this, id] { state_.chooseStage(id); });
            connect(made, &StageCard::walk, this, [this, made](int step) { walk(made, step); });
            connect(made, &StageCard::removeWanted, this, [this, id] { removeStage(state_, id); });
            connect(made, &StageCard::heldOff, this,
                    [this, id](bool off) { Q_EMIT heldOff(off ? id : std::string()); });
            connect(made, &StageCard::dragged, this,
                    [this, made](QPoint at, bool done) { dragCard(made, at, done); });
            connect(made, &StageCard::menuWanted, this, [this, id](QPoint at) { openMenu(id, at); });
            made->installEventFilter(this);
            made->show();
            cards_.push_back(made);
        }
    }
    // As wide as they may be, and narrower where that brings Finish into sight.
    const int room = parentWidget() ? parentWidget()->width() : 0;
    Layout layout;
    for (int width = StageCard::kSize.width(); width >= kLeastCard; width -= 8) {
        layout = layOut(width);
        if (layout.width <= room) break;
    }
    for (StageCard* each : cards_) each->refresh();
    const auto refreshAdd = [&](Part part, const QString& adds, const QString& isFull) {
        addButtons_[part]->setEnabled(canAddTo(grade, part));
        addButtons_[part]->setToolTip(canAddTo(grade, part) ? adds : isFull);
    };
    refreshAdd(Part::Prep, tr("Adds a stage to Prep, for this picture alone"), tr("Prep has all its stages"));
    refreshAdd(Part::Look, tr("Adds a stage at the end of the Look"), {});
    refreshAdd(Part::Finish, tr("Adds a stage to the Finish, over the whole frame"),
               tr("The Finish has all its stages"));
    const Counts counts = countStages(grade);
    // While a control moves only its card is painted.
    if (!isOther && layout == layout_ && counts == counts_) return;
    counts_ = counts;
    place(layout);
}

void ChainView::place(const Layout& layout) {
    layout_ = layout;
    for (std::size_t i = 0; i < cards_.size(); ++i) cards_[i]->setGeometry(layout.cards[i]);
    for (const auto& [part, x] : layout.adds) addButtons_.at(part)->move(x, kCardTop);
    setMinimumWidth(layout.width);
    updateGeometry();
    update();
}

ChainView::Layout ChainView::layOut(int cardWidth) const {
    const Grade& grade = state_.shownGrade();
    Layout layout;
    int x = 8 + kSource + kGap;
    const auto addCards = [&](std::size_t count) {
        for (std::size_t i = 0; i < count; ++i) {
            layout.cards.emplace_back(x, kCardTop, cardWidth, StageCard::kSize.height());
            x += cardWidth + kGap;
        }
    };
    const auto addPlus = [&](Part part) {
        layout.adds[part] = x;
        x += addButtons_.at(part)->width() + kGap;
    };
    addCards(grade.prep.size());
    addPlus(Part::Prep);
    layout.prepEnd = x;
    x += 2 * kGap;
    layout.lookStart = x;
    for (std::size_t l = 0; l < grade.look.size(); ++l) {
        const Layer& layer = grade.look[l];
        const int start = x;
        x += kGap;
        addCards(layer.stages.size());
        QString title =
            tr("%1 · %2 %").arg(QString::fromStdString(layer.name)).arg(std::lround(layer.strengthOrFull() * 100));
        if (layer.blend)
            title += QStringLiteral(" · ") +
                     QString::fromStdString(blendModes()[static_cast<std::size_t>(blendModeFrom(*layer.blend))].name);
        if (!layer.isEnabled()) title += tr(" · off");
        const Mask resolved = resolvedMask(grade.look, layer);
        const QImage mask = layer.isMasked() ? masks_.image(resolved, kMaskPicture) : QImage();
        QString widest = title; // what a mask covers may come and go while a hand moves it: cards stay where they are
        if (layer.isMasked()) {
            const QString nothing = tr(" · covers nothing"), all = tr(" · covers all");
            const MaskCover cover = masks_.coverOf(resolved);
            widest += nothing.size() > all.size() ? nothing : all;
            if (cover.isNothing() && masks_.knows(resolved)) title += nothing;
            if (cover.isEverything()) title += all;
        }
        const int least =
            fontMetrics().horizontalAdvance(widest) + 28 + (mask.isNull() ? 0 : kMaskPicture.width() + 6);
        x = std::max(x, start + least);
        layout.brackets.push_back({QRect(start, kCardTop - 9, x - start, StageCard::kSize.height() + 18), l,
                                   layer.isEnabled(), title, mask});
        x += kGap;
    }
    addPlus(Part::Look);
    x += 2 * kGap;
    layout.finishStart = x;
    addCards(grade.finish.size());
    addPlus(Part::Finish);
    layout.width = x + kGap;
    return layout;
}

bool ChainView::event(QEvent* event) {
    if (event->type() == QEvent::ParentChange && parentWidget()) parentWidget()->installEventFilter(this);
    return QWidget::event(event);
}

bool ChainView::eventFilter(QObject* watched, QEvent* event) {
    if (watched == parentWidget() && event->type() == QEvent::Resize) rebuild();
    // A pointer that goes on to a card is told to that card alone.
    if (watched != parentWidget() && event->type() == QEvent::Enter) pointAtMask({});
    return QWidget::eventFilter(watched, event);
}

void ChainView::setFrame(double aspect, const std::shared_ptr<const FramePlace>& place) {
    if (!masks_.setFrame(place, aspect)) return;
    const auto& look = state_.shownGrade().look;
    if (std::any_of(look.begin(), look.end(), [](const Layer& layer) { return layer.isMasked(); })) rebuild();
}

void ChainView::setLookInput(const Picture& small) {
    const auto rowOf = [](const Picture& picture) { return picture.isEmpty() ? nullptr : picture.row(0, 0); };
    if (rowOf(lookInput_) == rowOf(small)) return;
    lookInput_ = small;
    masks_.setColours(small);
    rebuild();
}

ChainView::Counts ChainView::countStages(const Grade& grade) {
    Counts counts;
    for (const auto& layer : grade.look)
        for (const auto& stage : layer.stages) {
            const StageType* type = findStageType(stage.type);
            ++counts.look;
            counts.baking += type && type->bakes() && (!layer.isMasked() || layer.mask->seesOnlyColours());
        }
    return counts;
}

void ChainView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const auto& c = theme::colours();
    const Grade& grade = state_.shownGrade();
    p.setPen(QPen(c.accent, 1.2));
    p.drawLine(QPointF(8 + kSource, kStringY), QPointF(width(), kStringY));
    // The source at the string's left end.
    const QRectF source = sourceBox();
    p.setPen(Qt::NoPen);
    p.setBrush(c.well);
    p.drawRect(source);
    if (state_.hasKey()) drawFilling(p, source, state_.pictures().at(state_.key()).thumbnail);
    p.setPen(QPen(c.edge, 1));
    p.setBrush(Qt::NoBrush);
    p.drawRect(source);

    QFont font = this->font();
    font.setPixelSize(11);
    p.setFont(font);
    const QFontMetrics metrics(font);
    const auto head = [&](int x, const QString& name, const QString& word, const QString& mark) {
        p.setPen(c.text);
        p.drawText(x, 15, name);
        x += metrics.horizontalAdvance(name) + 7;
        p.setPen(c.second);
        p.drawText(x, 15, word);
        x += metrics.horizontalAdvance(word) + 12;
        p.setPen(c.accent);
        p.drawText(x, 15, mark);
    };
    head(8, tr("Prep"), tr("this picture only"), {});
    head(layout_.lookStart, tr("Look"), tr("shared"),
         tr("%1 of %2 stages bake").arg(counts_.baking).arg(counts_.look));
    head(layout_.finishStart, tr("Finish"), tr("whole frame"), {});
    p.setPen(QPen(c.edge, 1));
    for (const int x : {layout_.prepEnd + kGap / 2, layout_.finishStart - 12})
        p.drawLine(QPointF(x, 22), QPointF(x, height() - 8));
    for (const Bracket& bracket : layout_.brackets) {
        const Layer& layer = grade.look[bracket.layer];
        const bool isChosen = state_.chosenStage() == layer.id;
        p.setPen(QPen(isChosen ? c.accent : c.scroll, 1));
        p.setBrush(Qt::NoBrush);
        p.drawRoundedRect(QRectF(bracket.box).adjusted(0.5, 0.5, -0.5, -0.5), 5, 5);
        const QRectF title(bracket.box.left() + 9, bracket.box.top() - 7,
                           metrics.horizontalAdvance(bracket.title) + 8, 14);
        p.fillRect(title, c.panel);
        if (!bracket.mask.isNull()) {
            const QRectF picture(QPointF(title.right() + 2, bracket.box.top() - 9), QSizeF(kMaskPicture));
            p.fillRect(picture.adjusted(-3, 0, 3, 0), c.panel);
            p.drawImage(picture, bracket.mask);
            p.setPen(QPen(c.edge, 1));
            p.drawRect(picture);
        }
        p.setPen(isChosen ? c.accent : layer.isEnabled() ? c.text : c.second);
        p.drawText(title, Qt::AlignCenter, bracket.title);
    }
    if (dropX_) {
        p.setPen(QPen(c.accent, 3));
        p.drawLine(QPointF(*dropX_, kCardTop - 4), QPointF(*dropX_, kCardTop + StageCard::kSize.height() + 4));
    }
}

void ChainView::mousePressEvent(QMouseEvent* event) {
    for (const Bracket& bracket : layout_.brackets)
        if (bracket.box.adjusted(0, -8, 0, 0).contains(event->position().toPoint()))
            state_.chooseStage(state_.shownGrade().look[bracket.layer].id);
}

void ChainView::pointAtMask(const std::string& layerId) {
    if (layerId == pointedMask_) return;
    pointedMask_ = layerId;
    Q_EMIT maskPointed(layerId);
}

void ChainView::mouseMoveEvent(QMouseEvent* event) {
    constexpr int headHeight = 18;
    std::string pointed;
    for (const Bracket& bracket : layout_.brackets)
        if (!bracket.mask.isNull() &&
            QRect(bracket.box.left(), bracket.box.top() - 9, bracket.box.width(), headHeight)
                .contains(event->position().toPoint()))
            pointed = state_.shownGrade().look[bracket.layer].id;
    pointAtMask(pointed);
}

void ChainView::leaveEvent(QEvent*) {
    pointAtMask({});
}

void ChainView::contextMenuEvent(QContextMenuEvent* event) {
    auto* menu = new QMenu(this);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    for (const Bracket& bracket : layout_.brackets) {
        if (!bracket.box.adjusted(0, -8, 0, 0).contains(event->pos())) continue;
        const std::string id = state_.keyGrade().look[bracket.layer].id;
        state_.chooseStage(id);
        const bool several = state_.keyGrade().look.size() > 1;
        menu->addAction(tr("Move the layer earlier"), this, [this, id] { moveLayer(state_, id, -1); })
            ->setEnabled(several);
        menu->addAction(tr("Move the layer later"), this, [this, id] { moveLayer(state_, id, 1); })
            ->setEnabled(several);
        menu->addAction(tr("Merge down"), this, [this, id] { mergeLayerDown(state_, id); })
            ->setEnabled(canMergeDown(state_.keyGrade(), id));
        menu->addAction(tr("Reset the layer"), this, [this, id] { resetLayer(state_, id); });
        menu->addAction(tr("Delete the layer"), this, [this, id] { removeLayer(state_, id); })->setEnabled(several);
        menu->addSeparator();
    }
    menu->addAction(tr("Add a layer"), this, [this] { addLayer(state_); });
    const int x = event->pos().x();
    const Part part = x < layout_.prepEnd ? Part::Prep : x < layout_.finishStart - 12 ? Part::Look : Part::Finish;
    menu->addAction(part == Part::Prep   ? tr("Reset Prep")
                    : part == Part::Look ? tr("Reset the Look")
                                         : tr("Reset Finish"),
                    this, [this, part] { resetPart(state_, part); });
    menu->popup(event->globalPos());
}

std::optional<ChainView::Drop> ChainView::dropAt(QPoint at, const std::string& moved) const {
    const Grade& grade = state_.keyGrade();
    for (const Bracket& bracket : layout_.brackets) {
        if (at.x() < bracket.box.left() - kGap || at.x() > bracket.box.right() + kGap) continue;
        std::size_t index = 0;
        int x = bracket.box.left() + kGap / 2;
        for (const Stage& stage : grade.look[bracket.layer].stages) {
            const StageCard* each = card(stage.id);
            if (stage.id == moved || !each) continue;
            if (at.x() < each->geometry().center().x()) break;
            ++index;
            x = each->geometry().right() + kGap / 2;
        }
        return Drop{bracket.layer, index, x};
    }
    return {};
}

void ChainView::dragCard(StageCard* moved, QPoint at, bool done) {
    const auto place = findStage(state_.keyGrade(), moved->stageId());
    if (!place || place->part != Part::Look) return;
    const auto drop = dropAt(at, moved->stageId());
    if (done) {
        dropX_.reset();
        if (drop) moveStageTo(state_, moved->stageId(), state_.keyGrade().look[drop->layer].id, drop->index);
        rebuild(); // back to its place where nothing came of it
        update();
        return;
    }
    moved->raise();
    moved->move(at.x() - moved->width() / 2, kCardTop - 4);
    dropX_ = drop ? std::optional(drop->x) : std::nullopt;
    Q_EMIT cardShown(moved);
    update();
}

void ChainView::setReports(const std::vector<StageReport>& reports) {
    for (StageCard* each : cards_) {
        const auto found = std::find_if(reports.begin(), reports.end(),
                                        [&](const StageReport& report) { return report.stageId == each->stageId(); });
        if (found == reports.end())
            each->setMark({}, {}, false);
        else
            each->setMark(QString::fromStdString(found->mark), QString::fromStdString(found->sentence),
                          found->isWarning);
    }
}

void ChainView::walk(StageCard* from, int step) {
    const auto at = std::find(cards_.begin(), cards_.end(), from) - cards_.begin() + step;
    if (at < 0 || at >= static_cast<std::ptrdiff_t>(cards_.size())) return;
    StageCard* to = cards_[static_cast<std::size_t>(at)];
    to->setFocus();
    state_.chooseStage(to->stageId());
}

void ChainView::openMenu(const std::string& stageId, QPoint at) {
    state_.chooseStage(stageId);
    const auto place = findStage(state_.keyGrade(), stageId);
    if (!place) return;
    auto* menu = new QMenu(this);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    menu->addAction(tr("Reset"), this, [this, stageId] { resetStage(state_, stageId); });
    if (place->part == Part::Look) {
        menu->addAction(tr("Split the layer here"), this, [this, stageId] { splitLayer(state_, stageId); })
            ->setEnabled(place->index > 0);
        menu->addAction(tr("Duplicate"), this, [this, stageId] { duplicateStage(state_, stageId); });
        menu->addAction(tr("Move earlier"), this, [this, stageId] { moveStage(state_, stageId, -1); });
        menu->addAction(tr("Move later"), this, [this, stageId] { moveStage(state_, stageId, 1); });
        menu->addSeparator();
        menu->addAction(tr("Rename…"), this, [this, stageId] { renameStage(stageId); });
    }
    if (canRemoveStage(state_.keyGrade(), *place))
        menu->addAction(tr("Delete"), this, [this, stageId] { removeStage(state_, stageId); });
    menu->addSeparator();
    menu->addAction(tr("Copy the grade"), this, &ChainView::copyWanted);
    menu->addAction(tr("Paste to the chosen pictures…"), this, &ChainView::pasteWanted);
    menu->addAction(tr("Save as a preset…"), this, &ChainView::savePresetWanted);
    menu->addSeparator();
    menu->addAction(
        tr("What is this?"), this,
        [this, page = QStringLiteral("stage/") + QString::fromStdString(stageAt(state_.keyGrade(), *place).type)] {
            Q_EMIT state_.guideWanted(page);
        });
    menu->popup(at);
}

void ChainView::renameStage(const std::string& stageId) {
    const auto place = findStage(state_.keyGrade(), stageId);
    if (!place) return;
    auto* dialog = new QInputDialog(this);
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setWindowTitle(tr("Rename the stage"));
    dialog->setLabelText(tr("A preset finds the stage again by its name; empty for the usual one"));
    dialog->setTextValue(QString::fromStdString(stageAt(state_.keyGrade(), *place).label));
    connect(dialog, &QInputDialog::textValueSelected, this, [this, stageId](const QString& name) {
        state_.editStage(stageId, {}, [&](Stage& stage) { stage.label = name.trimmed().toStdString(); });
    });
    dialog->open();
}

} // namespace baryton
