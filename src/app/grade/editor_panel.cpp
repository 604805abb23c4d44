#include "app/grade/editor_panel.h"
#include "app/grade/layer_editor.h"
#include "app/grade/stage_commands.h"
#include "app/guide/guide_of.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "stages/frame.h"
#include "stages/lens.h"

#include <QInputDialog>
#include <QMenu>

#include <QHBoxLayout>
#include <QPainter>

namespace baryton {

namespace {

/// The switch before the title: a filled dot for on, a ring for off.
class DotButton : public QPushButton {
public:
    DotButton() {
        setCheckable(true);
        setFixedSize(18, 18);
        setAutoDefault(false);
    }

protected:
    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        p.setRenderHint(QPainter::Antialiasing);
        const auto& c = theme::colours();
        p.setPen(QPen(isChecked() ? c.accent : c.second, 1.5));
        p.setBrush(isChecked() ? QBrush(c.accent) : QBrush(Qt::NoBrush));
        p.drawEllipse(QRectF(4, 4, 10, 10));
        if (hasFocus()) {
            p.setPen(QPen(c.text, 1));
            p.setBrush(Qt::NoBrush);
            p.drawEllipse(QRectF(1, 1, 16, 16));
        }
    }
};

} // namespace

EditorPanel::EditorPanel(AppState& state, Role role, QWidget* parent)
    : QWidget(parent), state_(state), role_(role), dot_(new DotButton),
      onPicture_(makeButton(tr("On picture"), "flat")), more_(makeButton({}, "flat")),
      reset_(makeButton(tr("Reset"), "flat")), title_(makeLabel({}, "heading")), findings_(new FindingsStrip(state)),
      scroll_(new WholeRows), strength_(new ValueRow(tr("Strength"))) {
    setObjectName(QStringLiteral("panel"));
    setAttribute(Qt::WA_StyledBackground);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(12, 8, 8, 10);
    layout->setSpacing(8);
    auto* head = new QHBoxLayout;
    head->setSpacing(2);
    dot_->setAccessibleName(tr("On"));
    dot_->setToolTip(tr("Turns this on and off"));
    onPicture_->setCheckable(true);
    onPicture_->setToolTip(tr(
        "Press on the picture and drag: the point, band or row that the colour belongs to is found and moved (P)"));
    more_->setIcon(theme::icon(QStringLiteral("more")));
    more_->setAccessibleName(tr("Kept settings"));
    more_->setToolTip(tr("Settings kept for this kind of stage; pointing tries one"));
    more_->setFixedWidth(22);
    reset_->setToolTip(tr("Back to how it was when the picture was opened; once more, to the defaults"));
    head->addWidget(dot_);
    head->addSpacing(2);
    head->addWidget(title_, 1);
    head->addWidget(onPicture_);
    auto* what = makeButton({}, "flat");
    what->setIcon(theme::icon(QStringLiteral("what")));
    what->setFixedWidth(22);
    what->setAccessibleName(tr("What is this?"));
    what->setToolTip(tr("What this does, and when people use it (F1)"));
    connect(what, &QPushButton::clicked, this, [this] { Q_EMIT state_.guideWanted(guideOf(this).page); });
    head->addWidget(what);
    head->addWidget(more_);
    head->addWidget(reset_);
    if (role == Role::Pinned) {
        auto* close = makeButton({}, "flat");
        close->setIcon(theme::icon(QStringLiteral("close")));
        close->setFixedWidth(26);
        close->setAccessibleName(tr("Close this editor"));
        close->setToolTip(tr("Close this editor"));
        head->addWidget(close);
        connect(close, &QPushButton::clicked, this, &EditorPanel::unpinWanted);
    }
    layout->addLayout(head);
    scroll_->setWidgetResizable(true);
    scroll_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll_->setFrameShape(QFrame::NoFrame);
    layout->addWidget(scroll_, 1);
    layout->addWidget(findings_);
    strength_->setRange(0, 100, 1, 100);
    strength_->setToolTip(tr("How much of it is felt: 0 as if it were off, 100 fully"));
    // In line with the rows above it, beside whose scroll bar it ends.
    strength_->layout()->setContentsMargins(0, 0, 10, 0);
    layout->addWidget(strength_);
    if (role == Role::Follows) makeFoot(layout);
    connect(more_, &QPushButton::clicked, this, &EditorPanel::openKept);
    connect(onPicture_, &QPushButton::toggled, this, &EditorPanel::onPictureToggled);
    connect(dot_, &QPushButton::clicked, this, [this](bool on) {
        const auto turn = [on](auto& it) {
            if (on)
                it.enabled.reset();
            else
                it.enabled = false;
        };
        if (chosenLayer())
            editLayer({}, turn);
        else
            state_.editStage(target(), {}, turn);
    });
    connect(reset_, &QPushButton::clicked, this, [this] {
        if (chosenLayer()) {
            resetLayer(state_, target());
            return;
        }
        resetStage(state_, target());
    });
    connect(strength_, &ValueRow::edited, this, [this](double percent, bool settled) {
        const auto turn = [percent](auto& it) {
            if (percent >= 100)
                it.strength.reset();
            else
                it.strength = percent / 100;
        };
        const QString gesture = QString::fromStdString(target()) + QStringLiteral("/strength");
        if (chosenLayer())
            editLayer(gesture, turn);
        else
            state_.editStage(target(), gesture, turn);
        if (settled) state_.endGesture();
    });
    // What a press on the picture does is asked for again with each stage and each picture.
    connect(&state, &AppState::stageChosen, this, [this] { onPicture_->setChecked(false); });
    connect(&state, &AppState::keyChanged, this, [this] {
        onPicture_->setChecked(false);
        findings_->show(nullptr); // they were the other picture's, and so was their remedy
    });
    connect(&state, &AppState::stageChosen, this, &EditorPanel::rebuild);
    connect(&state, &AppState::shownGradeChanged, this, &EditorPanel::refresh);
    rebuild();
}

void EditorPanel::makeFoot(QVBoxLayout* layout) {
    auto* out = new QHBoxLayout;
    out->setSpacing(4);
    auto* save = makeButton(tr("Save preset…"), "primary");
    auto* exportLut = makeButton(tr("Export LUT…"), "");
    out->addWidget(save);
    out->addWidget(exportLut);
    out->addStretch(1);
    const auto addIcon = [&](const char* icon, const QString& name, const QString& tip) {
        auto* button = makeButton({}, "flat");
        button->setIcon(theme::icon(QString::fromLatin1(icon)));
        button->setAccessibleName(name);
        button->setToolTip(tip);
        out->addWidget(button);
        return button;
    };
    auto* steps =
        addIcon("takes", tr("Takes and steps"), tr("Takes of this picture and what was done to it (Ctrl+H)"));
    auto* shelf = addIcon("shelf", tr("Shelf"), tr("The presets in place of the tray (Ctrl+L)"));
    layout->addLayout(out);
    connect(save, &QPushButton::clicked, this, &EditorPanel::savePresetWanted);
    connect(exportLut, &QPushButton::clicked, this, &EditorPanel::exportLutWanted);
    connect(shelf, &QPushButton::clicked, this, &EditorPanel::shelfWanted);
    connect(steps, &QPushButton::clicked, this, &EditorPanel::stepsWanted);
}

void EditorPanel::pin(const std::string& stageId) {
    pinned_ = stageId;
    rebuild();
}

void EditorPanel::setInput(const PreviewScopes& scopes) {
    if (!editor_) return;
    const auto found = std::find_if(scopes.inputs.begin(), scopes.inputs.end(),
                                    [this](const StageInput& each) { return each.stageId == editor_->stageId(); });
    if (found == scopes.inputs.end() || found->small.isEmpty()) return;
    // Pictures share their pixels: the same pixels are the same input.
    if (!shownInput_.isEmpty() && std::as_const(shownInput_).row(0, 0) == found->small.row(0, 0)) return;
    shownInput_ = found->small;
    const Histogram& h = found->histogram;
    const QVector<double> input[4] = {toCounts(h.r), toCounts(h.g), toCounts(h.b), toCounts(h.luma)};
    editor_->setInput(input);
    editor_->takeInput(shownInput_);
}

void EditorPanel::setReports(const std::vector<StageReport>& reports) {
    const auto found = std::find_if(reports.begin(), reports.end(),
                                    [this](const StageReport& report) { return report.stageId == target(); });
    findings_->show(found == reports.end() ? nullptr : &*found);
}

void EditorPanel::setPins(const QVector<HuePicks::Pin>& pins) {
    pins_ = pins;
    if (editor_) editor_->setPins(pins);
}

void EditorPanel::setPointed(std::optional<std::array<float, 3>> colour) {
    if (editor_) editor_->setPointed(colour);
}

void EditorPanel::picturePressed(const PickedColour& colour) {
    if (editor_) editor_->pressOnPicture(colour);
}

void EditorPanel::pictureDragged(QPointF offset, Qt::KeyboardModifiers modifiers) {
    if (editor_) editor_->dragOnPicture(offset, modifiers);
}

void EditorPanel::openKept() {
    auto* menu = new QMenu(this);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    const std::string stageId = target();
    if (role_ == Role::Follows)
        menu->addAction(tr("Pin this editor beside"), this, [this, stageId] { Q_EMIT pinWanted(stageId); });
    menu->addAction(tr("Keep these settings…"), this, &EditorPanel::keepSettings);
    menu->addSeparator();
    // One-stage presets of this kind of stage: pointing tries one, a click takes it.
    const auto place = findStage(state_.keyGrade(), stageId);
    const std::string type = place ? stageAt(state_.keyGrade(), *place).type : "";
    bool any = false;
    for (const LibraryEntry& entry : state_.presets()) {
        if (!entry.preset) continue;
        const auto places = stagePlaces(entry.preset->carried);
        if (places.size() != 1 || stageAt(entry.preset->carried, places.front()).type != type) continue;
        const Stage kept = stageAt(entry.preset->carried, places.front());
        const auto give = [stageId, kept](const Grade& grade) {
            Grade next = grade;
            if (const auto at = findStage(next, stageId)) {
                stageAt(next, *at).parameters = kept.parameters;
                stageAt(next, *at).strength = kept.strength;
            }
            return next;
        };
        QAction* action = menu->addAction(QString::fromStdString(entry.name), this, [this, give] {
            state_.tryChange({});
            state_.editKey(give(state_.keyGrade()));
        });
        connect(action, &QAction::hovered, this, [this, give] { state_.tryChange(give); });
        any = true;
    }
    if (!any) menu->addAction(tr("Nothing kept yet"))->setEnabled(false);
    connect(menu, &QMenu::aboutToHide, this, [this] { state_.tryChange({}); });
    menu->popup(more_->mapToGlobal(QPoint(0, more_->height())));
}

void EditorPanel::keepSettings() {
    const auto place = findStage(state_.keyGrade(), target());
    if (!place) return;
    const Stage stage = stageAt(state_.keyGrade(), *place);
    auto* dialog = new QInputDialog(this);
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setWindowTitle(tr("Keep these settings"));
    dialog->setLabelText(tr("Name"));
    dialog->setTextValue(QString::fromStdString(stageTitle(stage)));
    connect(dialog, &QInputDialog::textValueSelected, this, [this, stage, place = *place](const QString& name) {
        if (name.trimmed().isEmpty()) return;
        Preset preset;
        preset.name = name.trimmed().toStdString();
        if (place.part == Part::Prep) preset.carried.prep = {stage};
        if (place.part == Part::Finish) preset.carried.finish = {stage};
        if (place.part == Part::Look) {
            Layer layer;
            layer.name = state_.keyGrade().look[place.layer].name;
            layer.stages = {stage};
            preset.carried.look = {layer};
        }
        state_.editLibrary([&] { return state_.library().add(preset, tr("Kept settings").toStdString()); });
    });
    dialog->open();
}

const Layer* EditorPanel::chosenLayer() const {
    for (const Layer& layer : state_.shownGrade().look)
        if (layer.id == target()) return &layer;
    return nullptr;
}

void EditorPanel::editLayer(const QString& gesture, const std::function<void(Layer&)>& change) {
    Grade next = state_.keyGrade();
    for (Layer& layer : next.look)
        if (layer.id == target()) change(layer);
    state_.editKey(next, gesture);
}

void EditorPanel::rebuild() {
    const std::string id = target();
    const auto place = findStage(state_.shownGrade(), id);
    const std::string now = place           ? id + "/" + stageAt(state_.shownGrade(), *place).type
                            : chosenLayer() ? id + "/layer"
                                            : "";
    if (now == shownFor_ && (editor_ || now.empty())) {
        refresh();
        return;
    }
    shownFor_ = now;
    editor_ = nullptr;
    shownInput_ = {};
    QWidget* page = nullptr;
    if (place) {
        editor_ = makeEditor(state_, id, nullptr);
    } else if (chosenLayer()) {
        editor_ = new LayerEditor(state_, id);
    }
    page = editor_;
    if (editor_) {
        connect(editor_, &StageEditor::pickWanted, this, &EditorPanel::pickWanted);
        connect(editor_, &StageEditor::litChanged, this, &EditorPanel::litChanged);
        connect(editor_, &StageEditor::lineFound, this, &EditorPanel::lineFound);
        connect(editor_, &StageEditor::guideChosen, this, &EditorPanel::guideChosen);
        connect(editor_, &StageEditor::linesWanted, this, &EditorPanel::linesWanted);
        connect(editor_, &StageEditor::figureChanged, this, &EditorPanel::figureChanged);
        connect(editor_, &StageEditor::onPictureWanted, this, [this] {
            if (role_ == Role::Follows) onPicture_->setChecked(true);
        });
        editor_->setPins(pins_);
    }
    if (!page) {
        auto* none = makeLabel(place ? tr("This stage comes from a newer Baryton. It is kept as it is and changes "
                                          "nothing here.")
                               : role_ == Role::Pinned
                                   ? tr("This picture has no such stage. The editor comes back with the next one "
                                        "that has it.")
                                   : tr("Choose a stage in the chain below."),
                               "second");
        none->setWordWrap(true);
        none->setAlignment(Qt::AlignTop);
        page = none;
    }
    const QString guide =
        place           ? QStringLiteral("stage/") + QString::fromStdString(stageAt(state_.shownGrade(), *place).type)
        : chosenLayer() ? QStringLiteral("guide/only-there")
                        : QStringLiteral("guide/grade");
    setGuide(this, guide);
    Q_EMIT litChanged({});
    // The old page may hold the very button whose click brought this about.
    if (QWidget* old = scroll_->takeWidget()) old->deleteLater();
    scroll_->setWidget(page);
    onPicture_->setVisible(role_ == Role::Follows && editor_ && editor_->worksOnPicture());
    more_->setVisible(place && editor_);
    findings_->show(nullptr);
    Q_EMIT onPictureToggled(isOnPicture());
    refresh();
}

void EditorPanel::refresh() {
    const auto place = findStage(state_.shownGrade(), target());
    const Layer* layer = chosenLayer();
    const std::string now = place   ? target() + "/" + stageAt(state_.shownGrade(), *place).type
                            : layer ? target() + "/layer"
                                    : "";
    if (now != shownFor_) {
        rebuild();
        return;
    }
    const bool any = place || layer;
    for (QWidget* each : std::initializer_list<QWidget*>{dot_, reset_, strength_}) each->setVisible(any);
    if (place) {
        const Stage& stage = stageAt(state_.shownGrade(), *place);
        title_->setText(QString::fromStdString(stageTitle(state_.shownGrade(), stage)));
        dot_->setChecked(stage.isEnabled());
        const StageType* type = findStageType(stage.type);
        // Half a frame is none.
        strength_->setVisible(!type || type->footprint != Footprint::Source || type->id == kLensType);
        strength_->setValue(stage.strengthOrFull() * 100);
    } else if (layer) {
        const QString name = QString::fromStdString(layer->name);
        title_->setText(name.startsWith(tr("Layer")) ? name : tr("Layer · %1").arg(name));
        dot_->setChecked(layer->isEnabled());
        strength_->setValue(layer->strengthOrFull() * 100);
    } else {
        title_->clear();
    }
    if (editor_) editor_->refresh();
}

} // namespace baryton
