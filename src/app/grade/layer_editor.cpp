#include "app/grade/layer_editor.h"
#include "app/grade/stage_commands.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "grade/mask_links.h"
#include "grade/mask_moves.h"
#include "stages/blend.h"

#include <QGridLayout>
#include <QHBoxLayout>
#include <QMenu>
#include <QSignalBlocker>
#include <cmath>

namespace baryton {

namespace {

constexpr QSize kShapePicture(36, 24);
constexpr int kShownShapes = 2, kShapePadding = 8; // as the style pads rows of lists

} // namespace

LayerEditor::LayerEditor(AppState& state, const std::string& layerId, QWidget* parent)
    : StageEditor(state, layerId, parent), name_(new QLineEdit), blend_(new QComboBox), cover_(new StillText(1)),
      shapePage_(new QWidget), shapes_(new QListWidget),
      way_(new Segments({tr("adds"), tr("takes away"), tr("keeps")})),
      shapeInverted_(new QCheckBox(tr("Outside of it"))), inverted_(new QCheckBox(tr("All turned round"))),
      pages_(new MaskPages(state.maskTools())), moveAll_(makeButton(tr("Move all"), "flat")),
      putBack_(makeButton(tr("Put back"), "flat")), veil_(new QComboBox), veilColour_(makeButton({}, "flat")) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(6);
    hands_.setFrame(framePlace(), aspect());
    addHead(layout);
    addMask(layout);
    layout->addSpacing(6);
    addOrder(layout);
    layout->addStretch(1);
    // What was begun, and what was seen, was the other picture's.
    connect(&state, &AppState::keyChanged, this, [this] {
        anew_ = pulled_ = -1;
        stroke_.reset(), drawing_.reset(), pointed_.reset(), pointer_.reset();
        hands_.setColours({});
        shown_ = {};
    });
    connect(&state.objectSearch(), &ObjectSearch::progressed, this, [this] {
        pages_->setObjectWords(objectWords());
        if (object()) Q_EMIT figureChanged();
    });
    refresh();
}

const Layer* LayerEditor::layer() const {
    for (const Layer& each : state_.shownGrade().look)
        if (each.id == stageId()) return &each;
    return nullptr;
}

Mask LayerEditor::mask() const {
    const Layer* now = layer();
    return now && now->mask ? *now->mask : Mask();
}

const MaskShape* LayerEditor::chosenShape() const {
    const Layer* now = layer();
    const int row = shapes_->currentRow();
    const bool isThere = now && now->mask && row >= 0 && row < static_cast<int>(now->mask->shapes.size());
    return isThere ? &now->mask->shapes[static_cast<std::size_t>(row)] : nullptr;
}

void LayerEditor::edit(const QString& gesture, const std::function<void(Layer&)>& change) {
    Grade next = state_.keyGrade();
    for (Layer& each : next.look)
        if (each.id == stageId()) change(each);
    state_.editKey(next, gesture.isEmpty() ? gesture : QString::fromStdString(stageId()) + gesture);
}

void LayerEditor::editMask(const QString& gesture, const std::function<void(Mask&)>& change) {
    edit(gesture, [&](Layer& each) {
        Mask next = each.mask.value_or(Mask());
        change(next);
        each.mask = next == Mask() ? std::nullopt : std::optional(next);
    });
}

void LayerEditor::editShape(const QString& gesture, const std::function<void(MaskShape&)>& change) {
    const int row = shapes_->currentRow();
    if (!chosenShape()) return;
    editMask(gesture.isEmpty() ? gesture : QStringLiteral("/shape/%1").arg(row) + gesture,
             [&](Mask& next) { change(next.shapes[static_cast<std::size_t>(row)]); });
}

void LayerEditor::addHead(QVBoxLayout* layout) {
    auto* head = new QHBoxLayout;
    head->setSpacing(6);
    name_->setAccessibleName(tr("Layer name"));
    name_->setToolTip(tr("By its name a preset finds the layer again"));
    head->addWidget(name_, 3);
    connect(name_, &QLineEdit::editingFinished, this, [this] {
        const std::string text = name_->text().trimmed().toStdString();
        if (layer() && !text.empty() && text != layer()->name) edit({}, [&](Layer& each) { each.name = text; });
    });
    blend_->setAccessibleName(tr("Blend mode"));
    blend_->setToolTip(tr("How the layer is laid over what comes before it"));
    for (const auto& mode : blendModes()) blend_->addItem(QString::fromStdString(mode.name));
    head->addWidget(blend_, 2);
    layout->addLayout(head);
    connect(blend_, &QComboBox::activated, this, [this](int index) {
        edit({}, [index](Layer& each) {
            if (index == 0)
                each.blend.reset();
            else
                each.blend = blendModes()[static_cast<std::size_t>(index)].id;
        });
    });
}

void LayerEditor::addOrder(QVBoxLayout* layout) {
    auto* grid = new QGridLayout;
    const auto add = [&](int row, int column, const QString& text, const QString& tip, auto action) {
        auto* button = makeButton(text, "");
        button->setToolTip(tip);
        grid->addWidget(button, row, column);
        connect(button, &QPushButton::clicked, this, action);
        return button;
    };
    earlier_ = add(0, 0, tr("Earlier"), tr("Lets the layer act before the one below"),
                   [this] { moveLayer(state_, stageId(), -1); });
    later_ = add(0, 1, tr("Later"), tr("Lets the layer act after the one above"),
                 [this] { moveLayer(state_, stageId(), 1); });
    mergeDown_ = add(1, 0, tr("Merge down"),
                     tr("Puts its stages behind those of the layer below; both must be laid over plainly"),
                     [this] { mergeLayerDown(state_, stageId()); });
    remove_ = add(1, 1, tr("Delete layer"), tr("Undo brings it back"), [this] { removeLayer(state_, stageId()); });
    layout->addLayout(grid);
}

void LayerEditor::addMask(QVBoxLayout* layout) {
    layout->addWidget(makeLabel(tr("WHERE IT ACTS"), "section"));
    auto* adds = new QGridLayout;
    adds->setSpacing(6);
    const auto addButton = [&](int place, const QString& text, const QString& tip, auto action) {
        auto* button = makeButton(text, "");
        button->setToolTip(tip);
        button->setAccessibleName(tr("Add: %1").arg(text));
        adds->addWidget(button, place / 4, place % 4);
        connect(button, &QPushButton::clicked, this, action);
    };
    addButton(0, tr("Ellipse"), tr("Adds a soft ellipse, placed on the picture"),
              [this] { addShape(hands_.newEllipse()); });
    addButton(1, tr("Ramp"), tr("Adds from all to nothing between two lines, placed on the picture"),
              [this] { addShape(hands_.newRamp()); });
    addButton(2, tr("Brush"), tr("Adds what is painted on the picture"), [this] {
        addShape({MaskBrush{}, {}, false, {}});
    });
    addButton(4, tr("Tones"), tr("Adds a range of tones, pressed on the picture"), [this] {
        addShape({MaskTones{}, {}, false, {}});
    });
    addButton(5, tr("Colours"), tr("Adds a range of colours, pressed on the picture"), [this] {
        addShape({MaskColours{}, {}, false, {}});
    });
    addButton(3, tr("Object"), tr("Adds an object of the picture: drawn round loosely, it is found within"), [this] {
        addShape({MaskObject{}, {}, false, {}});
    });
    addButton(6, tr("A layer’s"), tr("Adds the mask of another layer, linked: an edit of that one changes both"),
              [this] {
                  const auto others = links();
                  if (others.empty())
                      return state_.tell(tr("No other layer has a mask that this one could be linked to"));
                  addShape({MaskOfLayer{others.back().id, nullptr}, {}, false, {}});
              });
    layout->addLayout(adds);
    layout->addWidget(cover_);

    layout->addWidget(shapePage_);
    auto* page = new QVBoxLayout(shapePage_);
    page->setContentsMargins(0, 0, 0, 0);
    page->setSpacing(6);
    addShapeList(page);
    page->addWidget(pages_);
    connect(pages_, &MaskPages::edited, this,
            [this](const QString& gesture, const MaskPages::Change& change, bool settled) {
                editShape(gesture, change);
                if (settled) state_.endGesture();
            });
    connect(pages_, &MaskPages::anewWanted, this, [this] {
        anew_ = shapes_->currentRow();
        pages_->setObjectWords(objectWords());
        Q_EMIT onPictureWanted();
    });
    connect(pages_, &MaskPages::searchInWanted, this, &LayerEditor::findInEllipse);
    connect(pages_, &MaskPages::linkCutWanted, this, [this] {
        const int row = shapes_->currentRow();
        if (chosenShape())
            editMask({}, [&](Mask& next) {
                next = withoutLink(state_.keyGrade().look, next, static_cast<std::size_t>(row));
            });
    });
    addWhole(page);
    pages_->alignNames();
}

void LayerEditor::addShapeList(QVBoxLayout* page) {
    shapes_->setAccessibleName(tr("Shapes of the mask"));
    shapes_->setIconSize(kShapePicture);
    shapes_->setUniformItemSizes(true);
    shapes_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    shapes_->setFixedHeight(kShownShapes * (kShapePicture.height() + kShapePadding) + 2 * shapes_->frameWidth());
    shapes_->setContextMenuPolicy(Qt::CustomContextMenu);
    shapes_->setEditTriggers(QAbstractItemView::EditKeyPressed);
    page->addWidget(shapes_);
    connect(shapes_, &QListWidget::currentRowChanged, this, [this] {
        showChosen();
        Q_EMIT figureChanged();
    });
    connect(shapes_, &QListWidget::customContextMenuRequested, this, &LayerEditor::openShapeMenu);
    connect(shapes_, &QListWidget::itemChanged, this, [this](QListWidgetItem* item) {
        shapes_->setCurrentItem(item);
        const std::string text = item->text().trimmed().left(100).toStdString();
        editShape({}, [&](MaskShape& shape) { shape.name = text; });
    });
    for (int i = 0; i < 3; ++i)
        way_->button(i)->setToolTip(
            std::array{tr("The layer acts here as well"), tr("The layer does not act here"),
                       tr("The layer acts only here, of what there is so far")}[static_cast<std::size_t>(i)]);
    page->addWidget(way_);
    connect(way_, &Segments::chosen, this, [this](int index) {
        editShape({}, [&](MaskShape& shape) { shape.way = static_cast<MaskShape::Way>(index); });
    });
    auto* foot = new QHBoxLayout;
    shapeInverted_->setToolTip(tr("The shape is what lies outside its line"));
    auto* drop = makeButton(tr("Delete shape"), "flat");
    foot->addWidget(shapeInverted_, 1);
    foot->addWidget(drop);
    page->addLayout(foot);
    connect(drop, &QPushButton::clicked, this, &LayerEditor::removeShape);
    connect(shapeInverted_, &QCheckBox::clicked, this,
            [this](bool on) { editShape({}, [&](MaskShape& shape) { shape.isInverted = on; }); });
}

std::vector<MaskPages::Link> LayerEditor::links() const {
    std::vector<MaskPages::Link> found;
    const auto& look = state_.shownGrade().look;
    for (const Layer& each : look)
        if (each.isMasked() && canLink(look, stageId(), each.id))
            found.push_back({each.id, QString::fromStdString(each.name)});
    return found;
}

void LayerEditor::openShapeMenu(QPoint at) {
    QListWidgetItem* item = shapes_->itemAt(at);
    if (!item) return;
    shapes_->setCurrentItem(item);
    auto* menu = new QMenu(this);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    menu->addAction(tr("Rename"), this, [this] { shapes_->editItem(shapes_->currentItem()); });
    menu->addAction(tr("Duplicate"), this, [this] { copyShape(false); });
    auto* mirror = menu->addAction(tr("Duplicate, mirrored"), this, [this] { copyShape(true); });
    mirror->setEnabled(chosenShape() && canMirror(*chosenShape()));
    menu->addSeparator();
    menu->addAction(tr("Delete shape"), this, &LayerEditor::removeShape);
    menu->popup(shapes_->viewport()->mapToGlobal(at));
}

void LayerEditor::copyShape(bool isMirrored) {
    const int row = shapes_->currentRow();
    const MaskShape* shape = chosenShape();
    if (!shape) return;
    const MaskShape copy = isMirrored ? mirrored(*shape) : *shape;
    editMask({}, [&](Mask& next) { next.shapes.insert(next.shapes.begin() + row + 1, copy); });
    shapes_->setCurrentRow(row + 1);
}

void LayerEditor::makeRest() {
    if (layer()) addLayer(state_, Mask{{{MaskOfLayer{stageId(), nullptr}, {}, true, {}}}, false, 1});
}

bool LayerEditor::isRange() const {
    const MaskShape* shape = chosenShape();
    return shape &&
           (std::holds_alternative<MaskTones>(shape->form) || std::holds_alternative<MaskColours>(shape->form));
}

bool LayerEditor::paintsOnPicture() const {
    const MaskShape* shape = chosenShape();
    return shape && !movesAll() &&
           (std::holds_alternative<MaskBrush>(shape->form) || std::holds_alternative<MaskObject>(shape->form));
}

void LayerEditor::addShape(MaskShape shape) {
    moveAll_->setChecked(false);
    // Where the others were taken elsewhere it lies all the same where it was drawn.
    editMask({}, [&](Mask& next) {
        next.shapes.push_back(placed(shape, inverse(next.placement), hands_.sourceAspect()));
    });
    shapes_->setCurrentRow(shapes_->count() - 1);
    anew_ = isRange() ? shapes_->currentRow() : -1;
    Q_EMIT onPictureWanted();
}

void LayerEditor::removeShape() {
    const int row = shapes_->currentRow();
    if (!chosenShape()) return;
    editMask({}, [row](Mask& next) {
        next.shapes.erase(next.shapes.begin() + row);
        if (next.shapes.empty()) next = {}; // what was turned round was the mask
    });
}

void LayerEditor::refresh() {
    const Layer* now = layer();
    if (!now) return;
    if (!name_->hasFocus()) name_->setText(QString::fromStdString(now->name));
    blend_->setCurrentIndex(static_cast<int>(blendModeFrom(now->blendOrNormal())));
    const Grade& grade = state_.keyGrade();
    for (QPushButton* each : {earlier_, later_, remove_}) each->setEnabled(grade.look.size() > 1);
    mergeDown_->setEnabled(canMergeDown(grade, stageId()));
    pages_->setLinks(links());
    showShapes();
    showChosen();
}

void LayerEditor::showShapes() {
    const Mask now = mask();
    const Layer* here = layer();
    const auto& look = state_.shownGrade().look;
    shapePage_->setVisible(!now.isEmpty());
    if (now.isEmpty()) {
        cover_->setText(tr("Everywhere: it has no mask"));
    } else {
        const Mask resolved = resolvedMask(look, *here);
        const MaskCover cover = hands_.coverOf(resolved);
        cover_->setText(!hands_.knows(resolved) ? QString()
                        : cover.isNothing()     ? tr("Covers nothing: the layer is not seen")
                        : cover.isEverything()  ? tr("Covers all of the picture")
                                               : tr("Covers %1 % of the picture").arg(std::lround(cover.mean * 100)));
    }
    const QSignalBlocker blocker(shapes_);
    const int row = shapes_->currentRow(), count = static_cast<int>(now.shapes.size());
    while (shapes_->count() > count) delete shapes_->takeItem(shapes_->count() - 1);
    for (int i = 0; i < count; ++i) {
        const MaskShape& shape = now.shapes[static_cast<std::size_t>(i)];
        if (shapes_->count() == i) shapes_->addItem(QString());
        const bool isLink = std::holds_alternative<MaskOfLayer>(shape.form); // follows what is not here
        const bool isKnown = !isLink && i < static_cast<int>(shown_.shapes.size()) &&
                             shown_.shapes[static_cast<std::size_t>(i)] == shape &&
                             !shapes_->item(i)->icon().isNull();
        if (isKnown) continue;
        const QString way = shape.way == MaskShape::Way::Add        ? QString()
                            : shape.way == MaskShape::Way::TakeAway ? tr(", taken away")
                                                                    : tr(", kept of it");
        const QString form = pages_->formName(shape);
        shapes_->item(i)->setText(shape.name.empty() ? tr("%1 %2").arg(form).arg(i + 1) + way : form);
        shapes_->item(i)->setFlags(shapes_->item(i)->flags() | Qt::ItemIsEditable);
        Layer alone = *here;
        alone.mask = Mask{{shape}, false, 1};
        alone.mask->shapes[0].way = MaskShape::Way::Add;
        const QPixmap picture = QPixmap::fromImage(hands_.image(resolvedMask(look, alone), kShapePicture));
        QIcon icon(picture);
        icon.addPixmap(picture, QIcon::Selected); // as it is, not tinted
        shapes_->item(i)->setIcon(icon);
    }
    shown_ = now;
    shapes_->setCurrentRow(std::clamp(row, count > 0 ? 0 : -1, count - 1));
}

void LayerEditor::showChosen() {
    const Mask all = mask();
    inverted_->setChecked(all.isInverted);
    for (const auto& whole : wholeRows_) whole.row->setValue(all.*whole.member * whole.scale);
    for (const auto& whole : placeRows_) whole.row->setValue(all.placement.*whole.member * whole.scale);
    putBack_->setEnabled(!isIdentity(all.placement));
    moveAll_->setEnabled(boundsOf(all, hands_.sourceAspect()).has_value());
    if (!moveAll_->isEnabled()) moveAll_->setChecked(false);
    const MaskShape* shape = chosenShape();
    if (!shape) return pages_->show(nullptr);
    way_->setCurrent(static_cast<int>(shape->way));
    shapeInverted_->setChecked(shape->isInverted);
    pages_->show(shape);
    pages_->setObjectWords(objectWords());
}

void LayerEditor::setInputPicture(const Picture& picture) {
    hands_.setColours(picture);
    const Layer* here = layer();
    if (!here || !resolvedMask(state_.shownGrade().look, *here).seesColours()) return;
    shown_ = {};
    showShapes();
}

void LayerEditor::frameMoved() {
    hands_.setFrame(framePlace(), aspect());
    shown_ = {}; // the shapes' pictures are of the frame
    refresh();
}

} // namespace baryton
