#include "app/grade/editor_panel.h"
#include "app/grade/stage_commands.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "stages/blend.h"

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

EditorPanel::EditorPanel(AppState& state, QWidget* parent)
    : QWidget(parent), state_(state), dot_(new DotButton), reset_(makeButton(tr("Reset"), "flat")),
      title_(makeLabel({}, "heading")), scroll_(new QScrollArea), strength_(new ValueRow(tr("Strength"))) {
    setObjectName(QStringLiteral("panel"));
    setAttribute(Qt::WA_StyledBackground);
    setFixedWidth(312);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(12, 8, 8, 10);
    layout->setSpacing(8);
    auto* head = new QHBoxLayout;
    dot_->setAccessibleName(tr("On"));
    dot_->setToolTip(tr("Turns this on and off"));
    reset_->setToolTip(tr("Everything here back to its default"));
    head->addWidget(dot_);
    head->addWidget(title_, 1);
    head->addWidget(reset_);
    layout->addLayout(head);
    scroll_->setWidgetResizable(true);
    scroll_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll_->setFrameShape(QFrame::NoFrame);
    layout->addWidget(scroll_, 1);
    strength_->setRange(0, 100, 1, 100);
    strength_->setToolTip(tr("How much of it is felt: 0 as if it were off, 100 fully"));
    layout->addWidget(strength_);
    auto* out = new QHBoxLayout;
    auto* save = makeButton(tr("Save preset…"), "primary");
    auto* exportLut = makeButton(tr("Export LUT…"), "");
    auto* shelf = makeButton(tr("Shelf"), "flat");
    shelf->setIcon(theme::icon(QStringLiteral("shelf")));
    shelf->setToolTip(tr("Shows the presets in place of the tray"));
    out->addWidget(save);
    out->addWidget(exportLut);
    out->addStretch(1);
    out->addWidget(shelf);
    layout->addLayout(out);
    connect(save, &QPushButton::clicked, this, &EditorPanel::savePresetWanted);
    connect(exportLut, &QPushButton::clicked, this, &EditorPanel::exportLutWanted);
    connect(shelf, &QPushButton::clicked, this, &EditorPanel::shelfWanted);

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
            state_.editStage(state_.chosenStage(), {}, turn);
    });
    connect(reset_, &QPushButton::clicked, this, [this] {
        if (chosenLayer()) {
            editLayer({}, [](Layer& layer) {
                layer.strength.reset();
                layer.enabled.reset();
                for (Stage& stage : layer.stages)
                    stage.parameters.clear(), stage.strength.reset(), stage.enabled.reset();
            });
            return;
        }
        resetStage(state_, state_.chosenStage());
    });
    connect(strength_, &ValueRow::edited, this, [this](double percent, bool settled) {
        const auto turn = [percent](auto& it) {
            if (percent >= 100)
                it.strength.reset();
            else
                it.strength = percent / 100;
        };
        const QString gesture = QString::fromStdString(state_.chosenStage()) + QStringLiteral("/strength");
        if (chosenLayer())
            editLayer(gesture, turn);
        else
            state_.editStage(state_.chosenStage(), gesture, turn);
        if (settled) state_.endGesture();
    });
    connect(&state, &AppState::stageChosen, this, &EditorPanel::rebuild);
    connect(&state, &AppState::shownGradeChanged, this, &EditorPanel::refresh);
    rebuild();
}

const Layer* EditorPanel::chosenLayer() const {
    for (const Layer& layer : state_.shownGrade().look)
        if (layer.id == state_.chosenStage()) return &layer;
    return nullptr;
}

void EditorPanel::editLayer(const QString& gesture, const std::function<void(Layer&)>& change) {
    Grade next = state_.keyGrade();
    for (Layer& layer : next.look)
        if (layer.id == state_.chosenStage()) change(layer);
    state_.editKey(next, gesture);
}

QWidget* EditorPanel::makeLayerPage() {
    auto* page = new QWidget;
    auto* layout = new QVBoxLayout(page);
    layout->setContentsMargins(0, 0, 0, 0);
    auto* note =
        makeLabel(tr("A layer is a run of stages with a strength of its own. Strength and switch act on all of "
                     "them together; the name is where a preset finds it again."),
                  "second");
    note->setWordWrap(true);
    layout->addWidget(note);
    auto* name = new QLineEdit(QString::fromStdString(chosenLayer()->name));
    name->setAccessibleName(tr("Layer name"));
    layout->addWidget(name);
    connect(name, &QLineEdit::editingFinished, this, [this, name] {
        const std::string text = name->text().trimmed().toStdString();
        if (chosenLayer() && !text.empty() && text != chosenLayer()->name)
            editLayer({}, [&](Layer& layer) { layer.name = text; });
    });
    auto* blend = new QComboBox;
    blend->setAccessibleName(tr("Blend mode"));
    blend->setToolTip(tr("How the layer is laid over what comes before it"));
    for (const auto& mode : blendModes()) blend->addItem(QString::fromStdString(mode.name));
    blend->setCurrentIndex(static_cast<int>(blendModeFrom(chosenLayer()->blendOrNormal())));
    layout->addWidget(blend);
    connect(blend, &QComboBox::activated, this, [this](int index) {
        editLayer({}, [index](Layer& layer) {
            if (index == 0)
                layer.blend.reset();
            else
                layer.blend = blendModes()[static_cast<std::size_t>(index)].id;
        });
    });
    auto* remove = makeButton(tr("Delete layer"), "");
    remove->setEnabled(state_.keyGrade().look.size() > 1);
    connect(remove, &QPushButton::clicked, this, [this] {
        Grade next = state_.keyGrade();
        std::erase_if(next.look, [this](const Layer& layer) { return layer.id == state_.chosenStage(); });
        state_.editKey(next);
        if (!next.look.front().stages.empty()) state_.chooseStage(next.look.front().stages.front().id);
    });
    layout->addWidget(remove, 0, Qt::AlignLeft);
    layout->addStretch(1);
    return page;
}

void EditorPanel::rebuild() {
    const std::string id = state_.chosenStage();
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
    QWidget* page = nullptr;
    if (place) {
        editor_ = makeEditor(state_, id, nullptr);
        page = editor_;
        if (editor_) connect(editor_, &StageEditor::pickWanted, this, &EditorPanel::pickWanted);
    } else if (chosenLayer()) {
        page = makeLayerPage();
    }
    if (!page) {
        auto* none = makeLabel(place ? tr("This stage comes from a newer Baryton. It is kept as it is and changes "
                                          "nothing here.")
                                     : tr("Choose a stage in the chain below."),
                               "second");
        none->setWordWrap(true);
        none->setAlignment(Qt::AlignTop);
        page = none;
    }
    scroll_->setWidget(page);
    refresh();
}

void EditorPanel::refresh() {
    const auto place = findStage(state_.shownGrade(), state_.chosenStage());
    const Layer* layer = chosenLayer();
    const std::string now = place   ? state_.chosenStage() + "/" + stageAt(state_.shownGrade(), *place).type
                            : layer ? state_.chosenStage() + "/layer"
                                    : "";
    if (now != shownFor_) {
        rebuild();
        return;
    }
    const bool any = place || layer;
    for (QWidget* each : std::initializer_list<QWidget*>{dot_, reset_, strength_}) each->setVisible(any);
    if (place) {
        const Stage& stage = stageAt(state_.shownGrade(), *place);
        title_->setText(QString::fromStdString(stageTitle(stage)));
        dot_->setChecked(stage.isEnabled());
        strength_->setValue(stage.strengthOrFull() * 100);
    } else if (layer) {
        title_->setText(tr("Layer · %1").arg(QString::fromStdString(layer->name)));
        dot_->setChecked(layer->isEnabled());
        strength_->setValue(layer->strengthOrFull() * 100);
    } else {
        title_->clear();
    }
    if (editor_) editor_->refresh();
}

} // namespace baryton
