#include "app/grade/layer_editor.h"
#include "app/grade/stage_commands.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "stages/blend.h"

#include <QGridLayout>
#include <QHBoxLayout>
#include <QSignalBlocker>
#include <cmath>

namespace baryton {

namespace {

constexpr QSize kShapePicture(36, 24);
constexpr int kShownShapes = 3;

QString percentText(double v) {
    return LayerEditor::tr("%1 %").arg(v, 0, 'f', 1);
}

/// Whether a number of a shape is an angle; the others are shown in percent.
bool isAngle(double MaskEllipse::*member) {
    return member == &MaskEllipse::turn;
}
bool isAngle(double MaskRamp::*) {
    return false;
}

} // namespace

LayerEditor::LayerEditor(AppState& state, const std::string& layerId, QWidget* parent)
    : StageEditor(state, layerId, parent), name_(new QLineEdit), blend_(new QComboBox), cover_(new StillText(1)),
      shapePage_(new QWidget), shapes_(new QListWidget),
      way_(new Segments({tr("adds"), tr("takes away"), tr("keeps")})),
      shapeInverted_(new QCheckBox(tr("Outside of it"))), inverted_(new QCheckBox(tr("All turned round"))),
      lit_(new QCheckBox(tr("Darken the rest"))), ellipsePage_(new QWidget), rampPage_(new QWidget) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(6);
    auto* note = makeLabel(tr("A run of stages with one strength, which acts where its mask lets it."), "second");
    note->setWordWrap(true);
    layout->addWidget(note);
    addHead(layout);
    addMask(layout);
    layout->addSpacing(6);
    addOrder(layout);
    layout->addStretch(1);
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

ValueRow* LayerEditor::makeRow(QVBoxLayout* layout, const QString& name, const QString& tip, double low, double high,
                               double standard) {
    auto* row = new ValueRow(name);
    row->setToolTip(tip);
    for (QWidget* part : std::initializer_list<QWidget*>{row->ruler(), row->field()}) part->setAccessibleName(name);
    row->setRange(low, high, 0.1, standard);
    row->field()->setFormatter(percentText);
    layout->addWidget(row);
    allRows_.push_back(row);
    return row;
}

template <class Form>
void LayerEditor::addNumber(QVBoxLayout* layout, std::vector<Number<Form>>& rows, double Form::*member,
                            const QString& name, const QString& tip) {
    const bool angle = isAngle(member);
    const double standard = Form().*member * (angle ? 1 : 100);
    const bool isShare = [&] {
        if constexpr (std::is_same_v<Form, MaskEllipse>) return member == &MaskEllipse::feather;
        return false;
    }();
    const bool isRadius = [&] {
        if constexpr (std::is_same_v<Form, MaskEllipse>)
            return member == &MaskEllipse::radiusX || member == &MaskEllipse::radiusY;
        return false;
    }();
    auto* row = angle      ? makeRow(layout, name, tip, -90, 90, standard)
                : isShare  ? makeRow(layout, name, tip, 0, 100, standard)
                : isRadius ? makeRow(layout, name, tip, 0.5, 150, standard)
                           : makeRow(layout, name, tip, -50, 150, standard);
    if (angle) row->field()->setFormatter([](double v) { return QStringLiteral("%1°").arg(v, 0, 'f', 1); });
    rows.push_back({member, row});
    connect(row, &ValueRow::edited, this, [this, member, angle, name](double shown, bool settled) {
        editShape(QStringLiteral("/") + name, [&](MaskShape& shape) {
            if (auto* form = std::get_if<Form>(&shape.form)) form->*member = angle ? shown : shown / 100;
        });
        if (settled) state_.endGesture();
    });
}

void LayerEditor::addMask(QVBoxLayout* layout) {
    layout->addSpacing(6);
    layout->addWidget(makeLabel(tr("WHERE IT ACTS"), "section"));
    auto* adds = new QHBoxLayout;
    adds->setSpacing(6);
    const auto addButton = [&](const QString& text, const QString& tip, auto action) {
        auto* button = makeButton(text, "");
        button->setToolTip(tip);
        adds->addWidget(button, 1);
        connect(button, &QPushButton::clicked, this, action);
    };
    addButton(tr("Add ellipse"), tr("A soft ellipse, placed on the picture"),
              [this] { addShape(hands_.newEllipse()); });
    addButton(tr("Add ramp"), tr("From all to nothing between two lines, placed on the picture"),
              [this] { addShape(hands_.newRamp()); });
    layout->addLayout(adds);
    layout->addWidget(cover_);

    layout->addWidget(shapePage_);
    auto* page = new QVBoxLayout(shapePage_);
    page->setContentsMargins(0, 0, 0, 0);
    page->setSpacing(6);
    shapes_->setAccessibleName(tr("Shapes of the mask"));
    shapes_->setIconSize(kShapePicture);
    shapes_->setUniformItemSizes(true);
    shapes_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    shapes_->setFixedHeight(kShownShapes * (kShapePicture.height() + 6) + 2 * shapes_->frameWidth());
    page->addWidget(shapes_);
    connect(shapes_, &QListWidget::currentRowChanged, this, [this] {
        showChosen();
        Q_EMIT figureChanged();
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
    const auto startPage = [&](QWidget* form) {
        auto* rows = new QVBoxLayout(form);
        rows->setContentsMargins(0, 0, 0, 0);
        rows->setSpacing(6);
        page->addWidget(form);
        return rows;
    };
    QVBoxLayout* rows = startPage(ellipsePage_);
    const QString across = tr("Of the picture's width, before any frame"), down = tr("Of its height");
    const QString along = tr("Of the picture's long side");
    addNumber(rows, ellipseRows_, &MaskEllipse::x, tr("Centre across"), across);
    addNumber(rows, ellipseRows_, &MaskEllipse::y, tr("Centre down"), down);
    addNumber(rows, ellipseRows_, &MaskEllipse::radiusX, tr("Radius across"), along);
    addNumber(rows, ellipseRows_, &MaskEllipse::radiusY, tr("Radius down"), along);
    addNumber(rows, ellipseRows_, &MaskEllipse::turn, tr("Turn"), tr("Clockwise"));
    addNumber(rows, ellipseRows_, &MaskEllipse::feather, tr("Feather"), tr("Over how much of its radius it fades"));
    rows = startPage(rampPage_);
    addNumber(rows, rampRows_, &MaskRamp::fromX, tr("Whole across"), across);
    addNumber(rows, rampRows_, &MaskRamp::fromY, tr("Whole down"), down);
    addNumber(rows, rampRows_, &MaskRamp::toX, tr("Nothing across"), across);
    addNumber(rows, rampRows_, &MaskRamp::toY, tr("Nothing down"), down);

    page->addWidget(makeLabel(tr("THE WHOLE MASK"), "section"));
    auto* all = new QHBoxLayout;
    inverted_->setToolTip(tr("The layer acts where it did not, and the other way round"));
    lit_->setToolTip(tr("The picture is darkened where the layer does not act, as long as this is ticked"));
    all->addWidget(inverted_, 1);
    all->addWidget(lit_, 1);
    page->addLayout(all);
    density_ = makeRow(page, tr("Density"), tr("How much of the mask is felt at most"), 0, 100, 100);
    connect(inverted_, &QCheckBox::clicked, this,
            [this](bool on) { editMask({}, [on](Mask& next) { next.isInverted = on; }); });
    connect(lit_, &QCheckBox::toggled, this, &LayerEditor::showLight);
    connect(density_, &ValueRow::edited, this, [this](double percent, bool settled) {
        editMask(QStringLiteral("/density"), [percent](Mask& next) { next.density = percent / 100; });
        if (settled) state_.endGesture();
    });
    int widest = 0;
    for (const ValueRow* each : allRows_) widest = std::max(widest, each->nameWidth());
    for (ValueRow* each : allRows_) each->setLabelWidth(widest);
}

void LayerEditor::addShape(MaskShape shape) {
    editMask({}, [&](Mask& next) { next.shapes.push_back(std::move(shape)); });
    shapes_->setCurrentRow(shapes_->count() - 1);
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
    showShapes();
    showChosen();
    showLight();
}

void LayerEditor::showShapes() {
    const Mask now = mask();
    shapePage_->setVisible(!now.isEmpty());
    if (now.isEmpty()) {
        cover_->setText(tr("Everywhere: it has no mask"));
    } else {
        const MaskCover cover = hands_.coverOf(now);
        cover_->setText(cover.isNothing()      ? tr("Covers nothing of the picture: nothing of the layer is seen")
                        : cover.isEverything() ? tr("Covers all of the picture")
                                               : tr("Covers %1 % of the picture").arg(std::lround(cover.mean * 100)));
    }
    const QSignalBlocker blocker(shapes_);
    const int row = shapes_->currentRow(), count = static_cast<int>(now.shapes.size());
    while (shapes_->count() > count) delete shapes_->takeItem(shapes_->count() - 1);
    for (int i = 0; i < count; ++i) {
        const MaskShape& shape = now.shapes[static_cast<std::size_t>(i)];
        if (shapes_->count() == i) shapes_->addItem(QString());
        const bool isKnown = i < static_cast<int>(shown_.shapes.size()) &&
                             shown_.shapes[static_cast<std::size_t>(i)] == shape &&
                             !shapes_->item(i)->icon().isNull();
        if (isKnown) continue;
        const QString form = std::holds_alternative<MaskEllipse>(shape.form) ? tr("Ellipse") : tr("Ramp");
        const QString way = shape.way == MaskShape::Way::Add        ? QString()
                            : shape.way == MaskShape::Way::TakeAway ? tr(", taken away")
                                                                    : tr(", kept of it");
        shapes_->item(i)->setText(tr("%1 %2").arg(form).arg(i + 1) + way);
        MaskShape alone = shape;
        alone.way = MaskShape::Way::Add;
        const QPixmap picture = QPixmap::fromImage(hands_.image({{alone}, false, 1}, kShapePicture));
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
    density_->setValue(all.density * 100);
    const MaskShape* shape = chosenShape();
    if (!shape) return;
    way_->setCurrent(static_cast<int>(shape->way));
    shapeInverted_->setChecked(shape->isInverted);
    const auto* ellipse = std::get_if<MaskEllipse>(&shape->form);
    const auto* ramp = std::get_if<MaskRamp>(&shape->form);
    ellipsePage_->setVisible(ellipse != nullptr);
    rampPage_->setVisible(ramp != nullptr);
    if (ellipse)
        for (const auto& [member, row] : ellipseRows_) row->setValue(ellipse->*member * (isAngle(member) ? 1 : 100));
    if (ramp)
        for (const auto& [member, row] : rampRows_) row->setValue(ramp->*member * 100);
}

void LayerEditor::showLight() {
    const Mask now = mask();
    if (!lit_->isChecked() || now.isEmpty()) {
        Q_EMIT litChanged({});
        return;
    }
    constexpr int side = 480;
    const QSize size = aspect() > 1 ? QSize(side, std::max(1, static_cast<int>(side / aspect())))
                                    : QSize(std::max(1, static_cast<int>(side * aspect())), side);
    Q_EMIT litChanged(hands_.image(now, size));
}

void LayerEditor::frameMoved() {
    hands_.setFrame(framePlace(), aspect());
    shown_ = {}; // the shapes' pictures are of the frame
    refresh();
}

PictureFigure LayerEditor::figure() const {
    return hands_.figure(mask(), shapes_->currentRow());
}

Qt::CursorShape LayerEditor::pullAt(QPointF at, QSizeF reach) const {
    const MaskShape* shape = chosenShape();
    return shape ? hands_.cursorAt(*shape, at, reach) : Qt::ArrowCursor;
}

void LayerEditor::startPull(QPointF at, QSizeF reach) {
    const MaskShape* shape = chosenShape();
    pulled_ = shape ? shapes_->currentRow() : -1;
    if (shape) hands_.start(*shape, at, reach);
}

QString LayerEditor::pointerWords(QPointF at) const {
    const Mask now = mask();
    return now.isEmpty() ? QString() : tr("   mask %1 %").arg(std::lround(hands_.weightAt(now, at) * 100));
}

void LayerEditor::pullTo(QPointF at) {
    // Undo may have taken it away under the hand: no other shape becomes it.
    if (!chosenShape() || shapes_->currentRow() != pulled_) return;
    editShape(QStringLiteral("/pull"), [&](MaskShape& shape) {
        const MaskShape next = hands_.pulledTo(at);
        if (next.form.index() == shape.form.index()) shape.form = next.form;
    });
}

} // namespace baryton
