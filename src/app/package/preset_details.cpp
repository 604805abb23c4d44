#include "app/package/preset_details.h"
#include "app/keys.h"
#include "app/package/colour_moves_sheet.h"
#include "app/package/stages_sheet.h"
#include "app/theme/theme.h"
#include "app/widgets/arithmetic.h"
#include "app/widgets/labels.h"
#include "edits/carry_over.h"
#include "edits/preset_words.h"
#include "stages/own_field_type.h"

#include <QHBoxLayout>
#include <QVBoxLayout>
#include <algorithm>

namespace baryton {

namespace {

/// What was typed as a value of a parameter; nothing when it is none.
std::optional<Value> typedValue(const ParameterType& type, const QString& typed) {
    const QString word = typed.trimmed();
    switch (type.kind) {
    case ParameterKind::Number:
        if (const auto number = evaluateArithmetic(word))
            return std::clamp(storedNumber(type, *number), type.minimum, type.maximum);
        return std::nullopt;
    case ParameterKind::Toggle:
        if (word.compare(PresetDetails::tr("on"), Qt::CaseInsensitive) == 0) return true;
        if (word.compare(PresetDetails::tr("off"), Qt::CaseInsensitive) == 0) return false;
        return std::nullopt;
    case ParameterKind::Choice:
        for (const auto& option : type.options)
            if (word.compare(QString::fromStdString(option.name), Qt::CaseInsensitive) == 0 ||
                word == QString::fromStdString(option.id))
                return option.id;
        return std::nullopt;
    case ParameterKind::Text:
        return word.toStdString();
    default:
        return std::nullopt;
    }
}

} // namespace

PresetDetails::PresetDetails(AppState& state, QWidget* parent) : QWidget(parent), state_(state) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(14, 12, 12, 12);
    layout->setSpacing(8);
    layout->addWidget(makeHead());
    error_ = makeLabel({}, "error");
    error_->setWordWrap(true);
    layout->addWidget(error_);
    layout->addWidget(makeUse(), 1);
    connect(&state, &AppState::presetsChanged, this, &PresetDetails::refresh);
    connect(&state, &AppState::targetsChanged, this, &PresetDetails::refresh);
    refresh();
}

QWidget* PresetDetails::makeHead() {
    words_ = new QWidget;
    auto* layout = new QVBoxLayout(words_);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(6);
    auto* head = new QHBoxLayout;
    name_ = new QLineEdit;
    name_->setAccessibleName(tr("Preset name"));
    name_->setToolTip(tr("Write another name and press Enter to rename it"));
    name_->setStyleSheet(QStringLiteral("QLineEdit { font-size: 14px; font-weight: 600; }"));
    favourite_ = makeButton(QStringLiteral("☆"), "flat");
    favourite_->setCheckable(true);
    favourite_->setAccessibleName(tr("Favourite"));
    favourite_->setToolTip(tr("Favourites have a group of their own, here and on the shelf"));
    extension_ = makeLabel({}, "second");
    head->addWidget(name_, 1);
    head->addWidget(extension_);
    head->addWidget(favourite_);
    layout->addLayout(head);
    notes_ = new QPlainTextEdit;
    notes_->setPlaceholderText(tr("When to use it"));
    notes_->setAccessibleName(tr("Notes"));
    notes_->setFixedHeight(42);
    notes_->setTabChangesFocus(true);
    layout->addWidget(notes_);
    auto* row = new QHBoxLayout;
    author_ = new QLineEdit;
    author_->setPlaceholderText(tr("Author"));
    author_->setAccessibleName(tr("Author"));
    author_->setMaxLength(200);
    key_ = new QKeySequenceEdit;
    key_->setAccessibleName(tr("Key of the preset"));
    key_->setToolTip(tr("A key that puts the preset on the picture in Grade. Delete takes it away"));
    key_->setFixedWidth(104);
    row->addWidget(author_, 1);
    row->addWidget(key_);
    layout->addLayout(row);
    connect(name_, &QLineEdit::editingFinished, this, &PresetDetails::takeName);
    connect(author_, &QLineEdit::editingFinished, this, &PresetDetails::takeWords);
    connect(key_, &QKeySequenceEdit::editingFinished, this, &PresetDetails::takeKey);
    notes_->installEventFilter(this);
    connect(favourite_, &QPushButton::clicked, this, [this] {
        if (const auto* chosen = entry()) state_.toggleFavourite(*chosen);
    });
    return words_;
}

QWidget* PresetDetails::makeUse() {
    usable_ = new QWidget;
    auto* use = new QVBoxLayout(usable_);
    use->setContentsMargins(0, 0, 0, 0);
    use->setSpacing(8);
    head_ = makeLabel({}, "section");
    use->addWidget(head_);
    carries_ = new CarryTree(false);
    carries_->setIsPreset();
    carries_->setEditable(true);
    carries_->setEditTriggers(QAbstractItemView::DoubleClicked | QAbstractItemView::EditKeyPressed);
    carries_->setMinimumHeight(96);
    carries_->setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Ignored);
    carries_->setToolTip(tr("Double-click a value to change it; Delete drops what is chosen"));
    // A file that is a LUT has nothing to list; what it does is what one wants to know of it.
    what_ = new QStackedWidget;
    what_->addWidget(carries_);
    constexpr int lines = 4;
    health_ = new LutHealthView(lines);
    connect(health_, &LutHealthView::readAsWanted, this, &PresetDetails::keepReadAs);
    what_->addWidget(health_);
    use->addWidget(what_, 1);
    account_ = makeLabel({}, "second");
    account_->setWordWrap(true);
    use->addWidget(account_);
    auto* modeRow = new QHBoxLayout;
    modeRow->addWidget(new QLabel(tr("How")));
    mode_ = new Segments({tr("Set values"), tr("Add above"), tr("Replace")});
    mode_->setCurrent(0);
    mode_->setAccessibleName(tr("How it is applied"));
    mode_->button(0)->setToolTip(tr("Sets just what it carries in the layers that are there; the rest stays"));
    mode_->button(1)->setToolTip(tr("Puts its layers above what is there, under the preset's name"));
    mode_->button(2)->setToolTip(tr("The Look becomes the preset's; Finish too where it carries one"));
    mode_->setProperty("compact", true);
    modeRow->addStretch(1);
    modeRow->addWidget(mode_);
    use->addLayout(modeRow);
    strength_ = new ValueRow(tr("Strength"));
    strength_->setRange(0, 200, 1, 100);
    strength_->setValue(100);
    strength_->setLabelWidth(56);
    strength_->setToolTip(tr("How far the preset goes: 100 as it was saved"));
    use->addWidget(strength_);
    auto* row = new QHBoxLayout;
    apply_ = makeButton(tr("Apply"), "primary");
    over_ = makeButton(tr("Save over"), "");
    over_->setToolTip(tr("What the preset carries stays; its values become those that the key picture has now. Undo "
                         "brings the old ones back"));
    auto* away = makeButton(tr("Delete"), "");
    away->setToolTip(tr("Deletes the preset's file; undo brings it back"));
    connect(away, &QPushButton::clicked, this, &PresetDetails::remove);
    row->addWidget(apply_, 1);
    row->addWidget(over_);
    row->addWidget(away);
    use->addLayout(row);
    auto* lutHead = new QHBoxLayout;
    lutHead->addWidget(makeLabel(tr("AS A LUT"), "section"), 1);
    asStages_ = makeButton(tr("Turn into stages…"), "flat");
    asStages_->setToolTip(tr("Seeks stages that do what it does, and that you can change"));
    asStages_->setFixedHeight(24); // its row is no higher for it
    QSizePolicy stays = asStages_->sizePolicy();
    stays.setRetainSizeWhenHidden(true);
    asStages_->setSizePolicy(stays);
    connect(asStages_, &QPushButton::clicked, this, &PresetDetails::turnIntoStages);
    lutHead->addWidget(asStages_);
    auto* moves = makeButton(tr("See it…"), "flat");
    moves->setToolTip(tr("All colours before and after: in a cube that turns, and as a slice of one lightness"));
    moves->setFixedHeight(24);
    connect(moves, &QPushButton::clicked, this, [this] {
        if (const auto* chosen = entry(); chosen && chosen->preset)
            (new ColourMovesSheet(QString::fromStdString(chosen->name), chosen->preset->carried, window()))->open();
    });
    lutHead->addWidget(moves);
    use->addLayout(lutHead);
    lut_ = new LutPanel(state_);
    use->addWidget(lut_);
    connect(apply_, &QPushButton::clicked, this, &PresetDetails::apply);
    connect(over_, &QPushButton::clicked, this, &PresetDetails::saveOver);
    connect(mode_, &Segments::chosen, this, &PresetDetails::howChanged);
    connect(strength_, &ValueRow::edited, this, &PresetDetails::howChanged);
    connect(carries_, &CarryTree::valueTyped, this, &PresetDetails::takeValue, Qt::QueuedConnection);
    connect(carries_, &CarryTree::dropWanted, this, &PresetDetails::dropEntries, Qt::QueuedConnection);
    return usable_;
}

ApplyMode PresetDetails::mode() const {
    return static_cast<ApplyMode>(mode_->current());
}

double PresetDetails::strength() const {
    return strength_->value() / 100;
}

const LibraryEntry* PresetDetails::entry() const {
    for (const auto& each : state_.presets())
        if (each.file == file_) return &each;
    return nullptr;
}

void PresetDetails::setFile(const std::filesystem::path& file, const std::vector<SourceFile>& checks) {
    file_ = file;
    checks_ = checks;
    refresh();
}

void PresetDetails::refresh() {
    const LibraryEntry* chosen = entry();
    setEnabled(chosen != nullptr);
    words_->setVisible(chosen != nullptr);
    error_->setVisible(chosen && !chosen->preset && !chosen->isPending);
    usable_->setVisible(chosen && chosen->preset);
    if (!chosen) return;
    filling_ = true;
    const bool isPreset = chosen->preset && chosen->kind == LibraryEntry::Kind::Preset;
    if (!name_->hasFocus() || name_->text().toStdString() != chosen->name)
        name_->setText(QString::fromStdString(chosen->name));
    name_->setReadOnly(!chosen->preset);
    extension_->setText(QString::fromStdString(chosen->file.extension().string()));
    error_->setText(QString::fromStdString(chosen->error));
    notes_->setVisible(isPreset);
    author_->setVisible(isPreset);
    const auto known = state_.libraryIndex().items.find(chosen->item());
    const bool isKnown = known != state_.libraryIndex().items.end();
    favourite_->setChecked(isKnown && known->second.isFavourite);
    favourite_->setText(favourite_->isChecked() ? QStringLiteral("★") : QStringLiteral("☆"));
    key_->setVisible(chosen->preset != nullptr);
    if (!key_->hasFocus())
        key_->setKeySequence(isKnown ? QKeySequence(QString::fromStdString(known->second.key)) : QKeySequence());
    if (auto* line = key_->findChild<QLineEdit*>())
        line->setPlaceholderText(tr("Own key")); // it is set back each time
    if (chosen->preset) {
        if (notes_->toPlainText().toStdString() != chosen->preset->notes)
            notes_->setPlainText(QString::fromStdString(chosen->preset->notes));
        author_->setText(QString::fromStdString(chosen->preset->author));
        carries_->setEditable(isPreset);
        head_->setText(isPreset ? tr("WHAT IT CARRIES") : tr("WHAT IT DOES"));
        what_->setCurrentIndex(isPreset ? 0 : 1);
        const Stage* lut = isPreset ? nullptr : onlyLut();
        health_->setLut(lut ? std::get<LutContent>(lut->parameters.at("file")).table : nullptr);
        // Only what has changed: what is chosen in the tree stays so.
        if (!(shown_ && *shown_ == chosen->preset->carried)) carries_->setGrade(chosen->preset->carried);
        shown_ = chosen->preset->carried;
        account_->setText(tr("Applied, it %1.").arg(QString::fromStdString(accountOf(*chosen->preset))));
        const auto targets = state_.targets().size();
        apply_->setText(targets > 1 ? tr("Apply to these %1").arg(targets) : tr("Apply to key picture"));
        over_->setVisible(isPreset);
        asStages_->setVisible(onlyLut() != nullptr);
        lut_->setSource(chosen->preset->carried, QString::fromStdString(chosen->name), checks_);
    }
    filling_ = false;
}

void PresetDetails::apply() {
    if (const auto* chosen = entry(); chosen && chosen->preset)
        state_.applyPreset(Preset(*chosen->preset), mode(), strength());
}

const Stage* PresetDetails::onlyLut() const {
    const LibraryEntry* chosen = entry();
    if (!chosen || !chosen->preset) return nullptr;
    const auto& look = chosen->preset->carried.look;
    const bool isOne = look.size() == 1 && look[0].stages.size() == 1 && look[0].stages[0].type == "lut";
    return isOne ? &look[0].stages[0] : nullptr;
}

void PresetDetails::turnIntoStages() {
    if (const Stage* lut = onlyLut())
        (new StagesSheet(state_, {*lut, QString::fromStdString(entry()->name), {}, {}}, window()))->open();
}

void PresetDetails::keepReadAs(const std::string& space) {
    const LibraryEntry* chosen = entry();
    if (!chosen || !onlyLut()) return;
    Preset made = *chosen->preset;
    made.carried.look[0].stages[0].parameters["reads"] = space;
    const std::string group = chosen->group;
    state_.editLibrary([&] { return state_.library().add(made, group, true); });
    state_.tell(tr("%1 added to the group %2").arg(QString::fromStdString(made.name), QString::fromStdString(group)));
}

void PresetDetails::rename() {
    name_->setFocus();
    name_->selectAll();
}

void PresetDetails::remove() {
    if (const auto* chosen = entry()) {
        const LibraryEntry old = *chosen;
        state_.editLibrary([&] { return state_.library().remove({old}); });
        state_.tell(tr("Deleted: %1. Undo brings it back.").arg(QString::fromStdString(old.name)));
    }
}

void PresetDetails::duplicate() {
    if (const auto* chosen = entry()) {
        const LibraryEntry old = *chosen;
        state_.editLibrary([&] { return state_.library().duplicate(old); });
    }
}

void PresetDetails::change(const Preset& preset, const QString& what) {
    const auto* chosen = entry();
    if (!chosen || !chosen->preset || preset == *chosen->preset) return;
    const LibraryEntry old = *chosen;
    state_.editLibrary([&] { return state_.library().change(old, preset, what.toStdString()); });
}

void PresetDetails::saveOver() {
    const auto* chosen = entry();
    if (!chosen || !chosen->preset || !state_.hasKey()) return;
    const Preset next = savedOver(*chosen->preset, state_.keyGrade());
    const auto changed = static_cast<qsizetype>(diff(chosen->preset->carried, next.carried).size());
    if (changed == 0) {
        state_.tell(tr("The preset has these values already"));
        return;
    }
    const QString name = QString::fromStdString(next.name);
    change(next, tr("Save over %1").arg(name));
    state_.tell(tr("%1: %2 taken over").arg(name, counted(changed, tr("value"), tr("values"))));
}

void PresetDetails::takeName() {
    const auto* chosen = entry();
    const std::string wanted = name_->text().trimmed().toStdString();
    if (filling_ || !chosen || !chosen->preset || wanted == chosen->name) return;
    const LibraryEntry old = *chosen;
    std::filesystem::path file = file_;
    state_.editLibrary([&] {
        LibraryEdit edit = state_.library().rename(old, wanted);
        const FileChange& first = edit.changes.front();
        file = first.kind == FileChange::Kind::Move ? first.to : first.file;
        file_ = file;
        return edit;
    });
    Q_EMIT renamed(file);
    refresh();
}

bool PresetDetails::eventFilter(QObject* watched, QEvent* event) {
    if (watched == notes_ && event->type() == QEvent::FocusOut) takeWords();
    return QWidget::eventFilter(watched, event);
}

void PresetDetails::takeWords() {
    const auto* chosen = entry();
    if (filling_ || !chosen || !chosen->preset || chosen->kind != LibraryEntry::Kind::Preset) return;
    Preset next = *chosen->preset;
    next.notes = notes_->toPlainText().trimmed().toStdString();
    next.author = author_->text().trimmed().toStdString();
    change(next, tr("Words about %1").arg(QString::fromStdString(next.name)));
}

void PresetDetails::takeKey() {
    const auto* chosen = entry();
    if (filling_ || !chosen) return;
    const QString wanted = key_->keySequence().toString(QKeySequence::PortableText);
    const std::string item = chosen->item(), name = chosen->name;
    LibraryIndex next = state_.libraryIndex();
    if (next.items[item].key == wanted.toStdString()) return;
    for (const KeyCommand& command : keyCommands())
        if (!wanted.isEmpty() && wanted == QLatin1String(command.key)) {
            state_.tell(tr("%1 is the key of: %2. Choose another one.").arg(wanted, keyText(command.text)), true);
            key_->clearFocus();
            return refresh();
        }
    for (const auto& [other, known] : next.items)
        if (!wanted.isEmpty() && known.key == wanted.toStdString()) {
            state_.tell(
                tr("%1 is the key of the preset %2. Choose another one.").arg(wanted, QString::fromStdString(other)),
                true);
            return refresh();
        }
    next.items[item].key = wanted.toStdString();
    state_.editLibrary([&] { return state_.library().setIndex(next, "Key of " + name); });
}

void PresetDetails::takeValue(const CarryPath& path, const QString& typed) {
    const auto* chosen = entry();
    if (!chosen || !chosen->preset) return;
    const Preset preset = *chosen->preset;
    std::optional<Value> value;
    const auto place = findStage(preset.carried, path.stage);
    const bool isOwn = place ? ownField(stageAt(preset.carried, *place), path.parameter) != nullptr
                             : ownField(Layer(), path.parameter) != nullptr;
    if (isOwn) {
        value = typedValue(ownFieldType(path.parameter), typed);
    } else if (place) {
        const StageType* type = findStageType(stageAt(preset.carried, *place).type);
        const ParameterType* parameter = type ? type->parameter(path.parameter) : nullptr;
        if (parameter) value = typedValue(*parameter, typed);
    }
    if (!value) {
        state_.tell(tr("“%1” is no value for it").arg(typed), true);
        shown_.reset();
        return refresh();
    }
    change(withEntry(preset, path, *value), tr("Change %1").arg(QString::fromStdString(preset.name)));
    shown_.reset(); // what was typed reads as the value does
    refresh();
}

void PresetDetails::dropEntries() {
    const auto* chosen = entry();
    const IncludeSet gone = carries_->chosenEntries();
    if (!chosen || !chosen->preset || gone.empty()) return;
    const Preset next = withoutEntries(*chosen->preset, gone);
    if (presentIn(next.carried).empty()) {
        state_.tell(tr("A preset carries at least one value; delete the preset instead"), true);
        return;
    }
    const auto count = static_cast<qsizetype>(gone.size());
    change(next,
           tr("Drop %1 from %2").arg(counted(count, tr("entry"), tr("entries")), QString::fromStdString(next.name)));
    state_.tell(tr("%1 dropped. Undo brings it back.").arg(counted(count, tr("entry"), tr("entries"))));
}

} // namespace baryton
