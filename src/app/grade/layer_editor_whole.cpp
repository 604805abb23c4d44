// What there is to set of a whole mask: how much, how far, where, and how it is seen.
#include "app/grade/layer_editor.h"
#include "app/widgets/labels.h"
#include "grade/mask_moves.h"

#include <QColorDialog>
#include <QHBoxLayout>

namespace baryton {

namespace {

QIcon iconOf(const QColor& colour) {
    QPixmap picture(14, 14);
    picture.fill(colour);
    return QIcon(picture);
}

} // namespace

void LayerEditor::addWhole(QVBoxLayout* page) {
    page->addWidget(makeLabel(tr("THE WHOLE MASK"), "section"));
    auto* all = new QHBoxLayout;
    inverted_->setToolTip(tr("The layer acts where it did not, and the other way round"));
    auto* rest = makeButton(tr("Layer for the rest"), "flat");
    rest->setToolTip(tr("A new layer that acts where this one does not, by this mask: an edit changes both"));
    all->addWidget(inverted_, 1);
    all->addWidget(rest);
    page->addLayout(all);
    const auto add = [&](const QString& name, const QString& tip, double Mask::*member, double low, double high) {
        ValueRow* row = pages_->makeRow(page, name, tip, low, high, Mask().*member * 100);
        wholeRows_.push_back({member, 100, row});
        connect(row, &ValueRow::edited, this, [this, member](double percent, bool settled) {
            editMask(QStringLiteral("/whole"), [&](Mask& next) { next.*member = percent / 100; });
            if (settled) state_.endGesture();
        });
    };
    add(tr("Density"), tr("How much of the mask is felt at most"), &Mask::density, 0, 100);
    add(tr("Grow"), tr("All that is drawn reaches this much farther, of the picture's long side"), &Mask::grow,
        -100 * kMostMaskGrowth, 100 * kMostMaskGrowth);
    add(tr("Softer"), tr("Every drawn edge fades over this much more, of the picture's long side"), &Mask::feather, 0,
        100 * kMostMaskFeather);
    addPlacement(page);
    connect(inverted_, &QCheckBox::clicked, this,
            [this](bool on) { editMask({}, [on](Mask& next) { next.isInverted = on; }); });
    connect(rest, &QPushButton::clicked, this, &LayerEditor::makeRest);
    auto* seen = new QHBoxLayout;
    seen->addWidget(makeLabel(tr("Seen"), "second"));
    veil_->addItems({tr("not at all"), tr("the rest darkened"), tr("as a colour"), tr("as grey"), tr("by its edge"),
                     tr("on black")});
    veil_->setAccessibleName(tr("How the mask is seen"));
    veil_->setToolTip(
        tr("Over the picture, as long as this layer or one of its stages is chosen (K; held, only as long)"));
    veilColour_->setAccessibleName(tr("Colour of the mask"));
    veilColour_->setToolTip(tr("The colour that it is seen in…"));
    seen->addWidget(veil_, 1);
    seen->addWidget(veilColour_);
    page->addLayout(seen);
    MaskTools& tools = state_.maskTools();
    connect(veil_, &QComboBox::activated, &tools, [&tools](int how) { tools.setVeil(static_cast<MaskVeil>(how)); });
    connect(veilColour_, &QPushButton::clicked, this, [this, &tools] {
        auto* dialog = new QColorDialog(tools.colour(), this);
        dialog->setAttribute(Qt::WA_DeleteOnClose);
        connect(dialog, &QColorDialog::currentColorChanged, &tools, &MaskTools::setColour);
        connect(dialog, &QColorDialog::rejected, &tools, [&tools, was = tools.colour()] { tools.setColour(was); });
        dialog->open();
    });
    connect(&tools, &MaskTools::veilChanged, this, &LayerEditor::showVeil);
    connect(&tools, &MaskTools::brushChanged, this, &LayerEditor::figureChanged);
    showVeil();
}

void LayerEditor::addPlacement(QVBoxLayout* page) {
    auto* head = new QHBoxLayout;
    head->addWidget(makeLabel(tr("Taken elsewhere"), "second"), 1);
    moveAll_->setCheckable(true);
    moveAll_->setToolTip(
        tr("All shapes are pulled together on the picture, by an ellipse round them: within it moves "
           "them, its line makes them larger, outside turns them"));
    putBack_->setToolTip(tr("All shapes lie where they were drawn"));
    head->addWidget(moveAll_);
    head->addWidget(putBack_);
    page->addLayout(head);
    connect(moveAll_, &QPushButton::toggled, this, [this](bool on) {
        if (on) Q_EMIT onPictureWanted();
        Q_EMIT figureChanged();
    });
    connect(putBack_, &QPushButton::clicked, this, [this] { editMask({}, [](Mask& next) { next.placement = {}; }); });
    const auto add = [&](const QString& name, const QString& tip, double MaskPlacement::*member, double low,
                         double high, bool isAngle) {
        const double scale = isAngle ? 1 : 100;
        ValueRow* row = pages_->makeRow(page, name, tip, low, high, MaskPlacement().*member * scale);
        if (isAngle) row->field()->setFormatter([](double v) { return QStringLiteral("%1°").arg(v, 0, 'f', 1); });
        placeRows_.push_back({member, scale, row});
        connect(row, &ValueRow::edited, this, [this, member, scale](double shown, bool settled) {
            MaskPlacement next = mask().placement;
            next.*member = shown / scale;
            place(next, QStringLiteral("/place"));
            if (settled) state_.endGesture();
        });
    };
    const QString along = tr("Of the picture's long side");
    add(tr("Across"), along, &MaskPlacement::moveX, -100, 100, false);
    add(tr("Down"), along, &MaskPlacement::moveY, -100, 100, false);
    add(tr("Scale all"), tr("About the middle of what is drawn"), &MaskPlacement::scale, 5, 400, false);
    add(tr("Turn all"), tr("Clockwise, about the middle of what is drawn"), &MaskPlacement::turn, -180, 180, true);
}

/// What stays is the middle of what is drawn, as it was when it was first taken elsewhere.
void LayerEditor::place(MaskPlacement placement, const QString& gesture) {
    const Mask now = mask();
    if (const auto bounds = boundsOf(now, hands_.sourceAspect()); bounds && isIdentity(now.placement))
        placement.x = (bounds->left + bounds->right) / 2, placement.y = (bounds->top + bounds->bottom) / 2;
    editMask(gesture, [&](Mask& next) { next.placement = isIdentity(placement) ? MaskPlacement() : placement; });
}

void LayerEditor::showVeil() {
    const MaskTools& tools = state_.maskTools();
    veil_->setCurrentIndex(static_cast<int>(tools.veil()));
    veilColour_->setIcon(iconOf(tools.colour()));
    veilColour_->setEnabled(tools.veil() == MaskVeil::Coloured);
}

} // namespace baryton
