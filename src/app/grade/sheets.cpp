#include "app/grade/sheets.h"
#include "app/package/lut_panel.h"
#include "app/package/pack_sheets.h"
#include "app/settings.h"
#include "app/welcome.h"
#include "app/widgets/labels.h"
#include "edits/framed_masks.h"
#include "edits/preset_words.h"
#include "stages/stage_type.h"

#include <QHBoxLayout>
#include <QMenu>
#include <QVBoxLayout>
#include <algorithm>
#include <utility>

namespace baryton {

SavePresetSheet::SavePresetSheet(AppState& state, QWidget* parent)
    : Sheet(tr("Save preset"), QStringLiteral("guide/package#") + tr("Save a preset"), parent), state_(state),
      source_(state.keyGrade()), name_(new QLineEdit), author_(new QLineEdit),
      cover_(new QCheckBox(tr("Cover: this picture"))), keepBoth_(new QCheckBox(tr("Keep both"))),
      group_(new QComboBox), only_(makeButton(tr("Just one…"), "flat")), notes_(new QPlainTextEdit),
      tree_(new CarryTree(true)), account_(makeLabel({}, "second")), save_(makeButton(tr("Save preset"), "primary")) {
    resize(580, 660);
    tree_->setIsPreset();
    auto* layout = rows();
    auto* form = new QHBoxLayout;
    name_->setPlaceholderText(tr("Name"));
    name_->setAccessibleName(tr("Preset name"));
    name_->setMaxLength(200);
    form->addWidget(name_, 3);
    form->addWidget(makeLabel(tr("in group"), "second"));
    group_->setEditable(true);
    group_->setAccessibleName(tr("Group"));
    // Where the last one went; else a group that did not come with the program.
    const QString last = QString::fromUtf8(layoutState(QStringLiteral("save-group")));
    QString own;
    for (const auto& group : state.library().groups()) {
        const QString name = QString::fromStdString(group);
        group_->addItem(name);
        std::error_code ignored;
        if (own.isEmpty() && !std::filesystem::is_directory(givenPresetsFolder() / group, ignored)) own = name;
    }
    if (group_->findText(last) >= 0) own = last;
    if (own.isEmpty()) own = tr("My presets");
    if (group_->findText(own) < 0) group_->insertItem(0, own);
    group_->setCurrentText(own);
    form->addWidget(group_, 2);
    layout->addLayout(form);
    notes_->setPlaceholderText(tr("When to use it (optional)"));
    notes_->setAccessibleName(tr("Notes"));
    notes_->setFixedHeight(46);
    notes_->setTabChangesFocus(true);
    layout->addWidget(notes_);
    auto* by = new QHBoxLayout;
    author_->setPlaceholderText(tr("Author (optional)"));
    author_->setAccessibleName(tr("Author"));
    author_->setText(QString::fromUtf8(layoutState(QStringLiteral("author"))));
    author_->setMaxLength(200);
    cover_->setToolTip(
        tr("A small version of the picture as it is graded goes into the preset, and shows it where no "
           "picture is open and when it is shared"));
    by->addWidget(author_, 1);
    by->addWidget(cover_);
    layout->addLayout(by);
    auto* head = new QHBoxLayout;
    head->addWidget(makeLabel(tr("WHAT IT CARRIES"), "section"), 1);
    const auto addTick = [&](const QString& name, const QString& tip, const std::function<void()>& tick) {
        auto* button = makeButton(name, "flat");
        button->setToolTip(tip);
        head->addWidget(button);
        connect(button, &QPushButton::clicked, this, tick);
    };
    addTick(tr("All"), tr("Ticks everything, Prep too"), [this] { tree_->tickAll(true); });
    addTick(tr("None"), tr("Takes every tick away"), [this] { tree_->tickAll(false); });
    addTick(tr("Only changed"), tr("Ticks what was changed in Look and Finish"), [this] { tree_->tickChanged(); });
    only_->setToolTip(tr("Ticks what was changed in one layer or one stage, and nothing else"));
    head->addWidget(only_);
    connect(only_, &QPushButton::clicked, this, &SavePresetSheet::openOnly);
    layout->addLayout(head);
    tree_->setGrade(source_);
    layout->addWidget(tree_, 1);
    account_->setWordWrap(true);
    layout->addWidget(account_);
    keepBoth_->setToolTip(tr("The one that is there stays; this one gets a number behind its name"));
    addFoot(save_, keepBoth_);
    connect(keepBoth_, &QCheckBox::toggled, this, &SavePresetSheet::review);
    connect(save_, &QPushButton::clicked, this, &SavePresetSheet::save);
    connect(name_, &QLineEdit::textChanged, this, &SavePresetSheet::review);
    connect(group_, &QComboBox::currentTextChanged, this, &SavePresetSheet::review);
    connect(tree_, &CarryTree::includedChanged, this, &SavePresetSheet::review);
    name_->setFocus();
    review();
}

void SavePresetSheet::setSource(const Grade& grade, const IncludeSet& ticked) {
    source_ = grade;
    tree_->setGrade(source_);
    tree_->tick(ticked);
    review();
}

void SavePresetSheet::openOnly() {
    auto* menu = new QMenu(this);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    const auto add = [&](const QString& name, const std::string& layer, const std::string& stage) {
        menu->addAction(name, this, [this, layer, stage] {
            IncludeSet wanted;
            for (const CarryPath& path : presentIn(source_))
                if (stage.empty() ? path.layer == layer : path.stage == stage) wanted.push_back(path);
            tree_->tick(wanted);
        });
    };
    for (const Layer& layer : source_.look) {
        add(tr("Layer %1").arg(QString::fromStdString(layer.name)), layer.id, {});
        for (const Stage& stage : layer.stages)
            if (!isNeutral(stage)) add(QString::fromStdString(stageTitle(source_, stage)), layer.id, stage.id);
        menu->addSeparator();
    }
    menu->popup(only_->mapToGlobal(QPoint(0, only_->height())));
}

Preset SavePresetSheet::preset() const {
    Preset preset;
    preset.name = name_->text().trimmed().toStdString();
    preset.notes = notes_->toPlainText().trimmed().toStdString();
    preset.author = author_->text().trimmed().toStdString();
    preset.carried = presetOf(source_, tree_->included());
    return preset;
}

void SavePresetSheet::review() {
    const Preset now = preset();
    const bool any = !tree_->included().empty();
    const bool named = !now.name.empty() && !group_->currentText().trimmed().isEmpty();
    QString text = any ? tr("Applied to a picture it %1.").arg(QString::fromStdString(accountOf(now)))
                       : tr("Nothing is ticked: tick what the preset is to carry.");
    const auto& entries = state_.presets();
    const bool taken = std::any_of(entries.begin(), entries.end(), [&](const LibraryEntry& e) {
        return e.name == now.name && e.group == group_->currentText().trimmed().toStdString();
    });
    const bool replaces = named && taken && !keepBoth_->isChecked();
    keepBoth_->setVisible(named && taken);
    if (replaces) text += tr(" It replaces the one of this name in the group; undo brings that back.");
    account_->setText(text);
    save_->setEnabled(any && named);
    save_->setText(replaces ? tr("Replace preset") : tr("Save preset"));
    save_->setToolTip(named ? QString() : tr("Write a name first"));
}

void SavePresetSheet::save() {
    Preset made = preset();
    if (cover_->isChecked())
        if (std::string cover = coverOf(state_); !cover.empty()) made.covers.push_back(std::move(cover));
    rememberLayout(QStringLiteral("author"), author_->text().trimmed().toUtf8());
    rememberLayout(QStringLiteral("save-group"), group_->currentText().trimmed().toUtf8());
    const std::string group = group_->currentText().trimmed().toStdString();
    const bool keepBoth = keepBoth_->isVisible() && keepBoth_->isChecked();
    state_.editLibrary([&] { return state_.library().add(made, group, keepBoth); });
    state_.tell(tr("Preset saved: %1 in %2, on the shelf and in Package (%3)")
                    .arg(QString::fromStdString(made.name), QString::fromStdString(group),
                         QString::fromStdString((state_.library().root() / group).string())));
    accept();
}

ExportLutSheet::ExportLutSheet(AppState& state, QWidget* parent)
    : Sheet(tr("Export LUT"), QStringLiteral("guide/package#") + tr("As a LUT"), parent) {
    resize(540, 420);
    auto* layout = rows();
    layout->setSpacing(10);
    const auto& picture = state.pictures().at(state.key());
    addNote(tr("The Look of %1 as a LUT; its Prep too, where that is ticked.")
                .arg(QString::fromStdString(picture.file.filename().string())));
    auto* panel = new LutPanel(state, "primary");
    const QString title = QString::fromStdString(picture.file.stem().string()) + tr(" look");
    std::vector<SourceFile> pictures; // the key picture and those behind it
    constexpr int most = 4;           // enough to judge, quick enough to wait for
    for (int i = 0; i < std::min(state.pictures().size(), most); ++i)
        pictures.push_back(state.pictures().sourceOf((state.key() + i) % state.pictures().size()));
    panel->setSource(state.keyGrade(), title, pictures);
    layout->addWidget(panel, 1);
    panel->exportButton()->setDefault(true); // Enter exports
    addCloseFoot("");
}

} // namespace baryton
