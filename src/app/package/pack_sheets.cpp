#include "app/package/pack_sheets.h"
#include "app/render_image.h"
#include "app/settings.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "base/error.h"
#include "base/file.h"
#include "base/words.h"
#include "edits/apply_strength.h"
#include "edits/preset_words.h"

#include <QBuffer>
#include <QComboBox>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QStandardPaths>
#include <QVBoxLayout>

namespace baryton {

namespace {

using State = ImportItem::State;
using Choice = ImportItem::Choice;

enum Column { NameColumn, KindColumn, StateColumn, ChoiceColumn };

QString stateWord(State state) {
    switch (state) {
    case State::New:
        return ImportSheet::tr("new");
    case State::Same:
        return ImportSheet::tr("there already");
    case State::Differing:
        return ImportSheet::tr("differs from yours");
    case State::Twice:
        return ImportSheet::tr("twice");
    case State::Refused:
        return ImportSheet::tr("can't be read");
    case State::Foreign:
        break;
    }
    return ImportSheet::tr("something else");
}

QPixmap pixmapOf(const std::string& jpeg, int height) {
    QPixmap cover;
    cover.loadFromData(reinterpret_cast<const uchar*>(jpeg.data()), static_cast<uint>(jpeg.size()), "JPG");
    return cover.isNull() ? cover : cover.scaledToHeight(height, Qt::SmoothTransformation);
}

} // namespace

std::string coverOf(AppState& state) {
    if (!state.hasKey()) return {};
    const Picture small = state.pictures().smallOf(state.key());
    if (small.isEmpty()) return {};
    constexpr int side = 320;
    const QImage image =
        imageOf(state.keyGrade(), small).scaled(side, side, Qt::KeepAspectRatio, Qt::SmoothTransformation);
    QByteArray bytes;
    QBuffer buffer(&bytes);
    buffer.open(QIODevice::WriteOnly);
    return image.save(&buffer, "JPG", 88) ? bytes.toStdString() : std::string();
}

ImportSheet::ImportSheet(AppState& state, ImportAccount account, QWidget* parent)
    : Sheet(tr("Import"), QStringLiteral("guide/package#") + tr("Packs"), parent), state_(state),
      account_(std::move(account)), list_(new QTreeWidget), summary_(makeLabel({}, "second")),
      import_(makeButton(tr("Add"), "primary")) {
    resize(760, 560);
    auto* layout = rows();
    auto* head = new QHBoxLayout;
    if (!account_.info.cover.empty()) {
        auto* cover = new QLabel;
        cover->setPixmap(pixmapOf(account_.info.cover, 76));
        cover->setAccessibleName(tr("Cover of the pack"));
        head->addWidget(cover);
        head->addSpacing(8);
    }
    auto* words = new QVBoxLayout;
    words->setSpacing(2);
    words->addWidget(makeLabel(QString::fromStdString(account_.info.name), "heading"));
    const auto addLine = [&](const QString& text) {
        if (text.isEmpty()) return;
        auto* label = makeLabel(text, "second");
        label->setWordWrap(true);
        label->setTextFormat(Qt::PlainText);
        words->addWidget(label);
    };
    QStringList by;
    if (!account_.info.author.empty()) by.append(tr("by %1").arg(QString::fromStdString(account_.info.author)));
    if (!account_.info.licence.empty()) by.append(QString::fromStdString(account_.info.licence));
    addLine(by.join(QStringLiteral(" · ")));
    addLine(QString::fromStdString(account_.info.notes));
    words->addStretch(1);
    head->addLayout(words, 1);
    layout->addLayout(head);
    list_->setColumnCount(4);
    list_->setHeaderLabels({tr("Name"), tr("What"), tr("State"), tr("What happens")});
    list_->setIconSize({54, 36});
    list_->setRootIsDecorated(true);
    list_->setUniformRowHeights(false);
    list_->setSelectionMode(QAbstractItemView::NoSelection);
    list_->setAccessibleName(tr("What the import holds"));
    list_->header()->setStretchLastSection(false);
    list_->header()->setSectionResizeMode(NameColumn, QHeaderView::Stretch);
    list_->setColumnWidth(KindColumn, 64);
    list_->setColumnWidth(StateColumn, 124);
    list_->setColumnWidth(ChoiceColumn, 206);
    layout->addWidget(list_, 1);
    // First what is added, group by group, then what is not and why.
    for (std::size_t i = 0; i < account_.items.size(); ++i)
        if (account_.items[i].preset && account_.items[i].state != State::Twice) addItem(i);
    for (std::size_t i = 0; i < account_.items.size(); ++i)
        if (!account_.items[i].preset || account_.items[i].state == State::Twice) addItem(i);
    list_->expandAll();
    summary_->setWordWrap(true);
    layout->addWidget(summary_);
    addFoot(import_);
    connect(import_, &QPushButton::clicked, this, &ImportSheet::import);
    // Each is drawn on the key picture.
    if (state.hasKey())
        if (const Picture small = state.pictures().smallOf(state.key()); !small.isEmpty()) {
            const Picture source = resized(small, 108, std::max(1, 108 * small.height() / small.width()));
            std::vector<TileDrawer::Tile> tiles;
            for (std::size_t i = 0; i < account_.items.size(); ++i)
                if (account_.items[i].preset) {
                    Grade base;
                    base.prep = state.keyGrade().prep, base.picture = state.keyGrade().picture;
                    tiles.push_back({static_cast<int>(i),
                                     appliedWithStrength(base, *account_.items[i].preset, ApplyMode::AddAbove, 1),
                                     source});
                }
            connect(&drawer_, &TileDrawer::drawn, this, [this](int id, const QImage& image) {
                for (QTreeWidgetItemIterator it(list_); *it; ++it)
                    if ((*it)->data(0, Qt::UserRole) == id) (*it)->setIcon(0, QPixmap::fromImage(image));
            });
            drawer_.draw(std::move(tiles));
        }
    review();
}

void ImportSheet::addItem(std::size_t index) {
    const ImportItem& item = account_.items[index];
    const bool isAdded = item.preset && item.state != State::Twice;
    const QString group = isAdded ? tr("Group %1").arg(QString::fromStdString(item.group)) : tr("Left out");
    QTreeWidgetItem* parent = nullptr;
    for (int i = 0; i < list_->topLevelItemCount(); ++i)
        if (list_->topLevelItem(i)->text(0) == group) parent = list_->topLevelItem(i);
    if (!parent) {
        parent = new QTreeWidgetItem(list_, {group});
        QFont font = parent->font(0);
        font.setWeight(QFont::DemiBold);
        parent->setFont(0, font);
        parent->setFirstColumnSpanned(true);
    }
    auto* row = new QTreeWidgetItem(parent, {QString::fromStdString(isAdded ? item.name : item.path),
                                             item.state == State::Foreign           ? QString()
                                             : item.kind == LibraryEntry::Kind::Lut ? tr("LUT")
                                                                                    : tr("preset"),
                                             stateWord(item.state),
                                             {}});
    row->setData(0, Qt::UserRole, static_cast<int>(index));
    row->setToolTip(NameColumn,
                    QString::fromStdString(item.reason.empty() ? item.path : item.path + "\n" + item.reason));
    if (item.preset && state_.hasKey()) { // its picture comes later, and moves nothing when it does
        QPixmap empty(list_->iconSize());
        empty.fill(theme::colours().well);
        row->setIcon(NameColumn, empty);
    }
    if (item.state == State::Refused) row->setForeground(StateColumn, theme::colours().error);
    if (!isAdded || item.state == State::Same) {
        row->setText(ChoiceColumn, QString::fromStdString(item.reason));
        row->setToolTip(ChoiceColumn, QString::fromStdString(item.reason));
        for (const int column : {NameColumn, ChoiceColumn}) row->setForeground(column, theme::colours().second);
        return;
    }
    auto* choice = new QComboBox;
    const bool clash = item.state == State::Differing;
    const std::vector<Choice> choices = clash ? std::vector{Choice::KeepBoth, Choice::Replace, Choice::LeaveOut}
                                              : std::vector{Choice::Add, Choice::LeaveOut};
    for (const Choice each : choices)
        choice->addItem(each == Choice::Add        ? tr("add")
                        : each == Choice::KeepBoth ? tr("keep both")
                        : each == Choice::Replace  ? tr("replace yours")
                                                   : tr("leave out"));
    choice->setAccessibleName(tr("What happens with %1").arg(QString::fromStdString(item.name)));
    connect(choice, &QComboBox::currentIndexChanged, this, [this, index, choices](int at) {
        account_.items[index].choice = choices[static_cast<std::size_t>(at)];
        review();
    });
    list_->setItemWidget(row, ChoiceColumn, choice);
}

void ImportSheet::review() {
    QStringList parts;
    const auto say = [&](State state, const QString& words) {
        if (const auto n = account_.count(state)) parts.append(tr("%1 %2").arg(n).arg(words));
    };
    say(State::New, tr("new"));
    say(State::Same, tr("there already"));
    say(State::Differing, tr("differing"));
    say(State::Twice, tr("in a second format"));
    say(State::Refused, tr("that can't be read"));
    say(State::Foreign, tr("of another kind"));
    const auto added = std::count_if(account_.items.begin(), account_.items.end(), [](const ImportItem& item) {
        return item.preset && item.choice != Choice::LeaveOut;
    });
    summary_->setText(parts.join(QStringLiteral(", ")) +
                      (added > 0 ? tr(". Undo takes all of it out again.") : tr(". There is nothing to add.")));
    import_->setText(added > 0 ? tr("Add %1").arg(added) : tr("Add"));
    import_->setEnabled(added > 0);
}

void ImportSheet::import() {
    const auto before = state_.presets().size();
    state_.editLibrary([this] { return importEdit(account_, state_.library()); });
    const auto now = state_.presets().size();
    state_.tell(tr("%1 added, %2 left out")
                    .arg(now - std::min(now, before))
                    .arg(static_cast<qsizetype>(account_.count(State::Twice) + account_.count(State::Refused) +
                                                account_.count(State::Foreign))));
    accept();
}

ExportPackSheet::ExportPackSheet(AppState& state, std::vector<LibraryEntry> entries, QWidget* parent)
    : Sheet(tr("Export a pack"), QStringLiteral("guide/package#") + tr("Packs"), parent), state_(state),
      entries_(std::move(entries)), list_(new QTreeWidget), name_(new QLineEdit), author_(new QLineEdit),
      licence_(new QLineEdit), file_(new QLineEdit), notes_(new QPlainTextEdit),
      cover_(new QCheckBox(tr("Cover: the key picture as it is graded"))), summary_(makeLabel({}, "second")),
      write_(makeButton(tr("Write the pack"), "primary")) {
    resize(520, 600);
    auto* layout = rows();
    const auto addLine = [&](QLineEdit* line, const QString& name, const QString& text) {
        line->setPlaceholderText(name);
        line->setAccessibleName(name);
        line->setText(text);
        line->setMaxLength(200);
        layout->addWidget(line);
        connect(line, &QLineEdit::textChanged, this, &ExportPackSheet::review);
    };
    const bool oneGroup = std::all_of(entries_.begin(), entries_.end(),
                                      [&](const auto& e) { return e.group == entries_.front().group; });
    addLine(name_, tr("Name of the pack"),
            entries_.empty() || !oneGroup ? tr("My presets") : QString::fromStdString(entries_.front().group));
    addLine(author_, tr("Author"), QString::fromUtf8(layoutState(QStringLiteral("author"))));
    addLine(licence_, tr("Licence: what others may do with it"), {});
    notes_->setPlaceholderText(tr("Notes (optional)"));
    notes_->setAccessibleName(tr("Notes"));
    notes_->setFixedHeight(48);
    notes_->setTabChangesFocus(true);
    layout->addWidget(notes_);
    cover_->setChecked(state.hasKey());
    cover_->setVisible(state.hasKey());
    layout->addWidget(cover_);
    list_->setHeaderHidden(true);
    list_->setAccessibleName(tr("What goes into the pack"));
    list_->setSelectionMode(QAbstractItemView::NoSelection);
    std::map<std::string, QTreeWidgetItem*> groups;
    for (std::size_t i = 0; i < entries_.size(); ++i) {
        const LibraryEntry& entry = entries_[i];
        auto*& group = groups[entry.group];
        if (!group) {
            group = new QTreeWidgetItem(list_, {QString::fromStdString(entry.group)});
            group->setFlags(group->flags() | Qt::ItemIsAutoTristate | Qt::ItemIsUserCheckable);
        }
        const bool usable = entry.preset || entry.isPending;
        auto* row = new QTreeWidgetItem(
            group, {QString::fromStdString(entry.name) + (usable ? QString() : tr(" · can't be read"))});
        row->setData(0, Qt::UserRole, static_cast<int>(i));
        row->setCheckState(0, usable ? Qt::Checked : Qt::Unchecked);
        if (!usable) row->setDisabled(true);
    }
    list_->expandAll();
    layout->addWidget(list_, 1);
    auto* fileRow = new QHBoxLayout;
    file_->setAccessibleName(tr("File"));
    const QString folder = QStandardPaths::writableLocation(QStandardPaths::DocumentsLocation);
    file_->setText(folder + u'/' + QString::fromStdString(safeFileName(name_->text().toStdString())) +
                   QStringLiteral(".bpack"));
    auto* choose = makeButton(tr("Choose…"), "");
    fileRow->addWidget(file_, 1);
    fileRow->addWidget(choose);
    layout->addLayout(fileRow);
    summary_->setWordWrap(true);
    layout->addWidget(summary_);
    addFoot(write_);
    connect(choose, &QPushButton::clicked, this, &ExportPackSheet::chooseFile);
    connect(write_, &QPushButton::clicked, this, &ExportPackSheet::write);
    connect(list_, &QTreeWidget::itemChanged, this, &ExportPackSheet::review);
    connect(file_, &QLineEdit::textChanged, this, &ExportPackSheet::review);
    review();
}

std::vector<LibraryEntry> ExportPackSheet::ticked() const {
    std::vector<LibraryEntry> chosen;
    for (QTreeWidgetItemIterator it(list_); *it; ++it)
        if ((*it)->parent() && (*it)->checkState(0) == Qt::Checked)
            chosen.push_back(entries_[static_cast<std::size_t>((*it)->data(0, Qt::UserRole).toInt())]);
    return chosen;
}

void ExportPackSheet::review() {
    const auto count = static_cast<qsizetype>(ticked().size());
    const bool named = !name_->text().trimmed().isEmpty() && !file_->text().trimmed().isEmpty();
    write_->setEnabled(count > 0 && named);
    QString text = count == 0 ? tr("Nothing is ticked.")
                              : tr("%1 go into the pack. LUTs that presets use travel inside them.")
                                    .arg(counted(count, tr("item"), tr("items")));
    std::error_code ignored;
    if (std::filesystem::exists(file_->text().toStdString(), ignored))
        text += tr(" The file is there and is replaced.");
    summary_->setText(text);
}

void ExportPackSheet::chooseFile() {
    auto* dialog = new QFileDialog(this, tr("Write the pack"));
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setAcceptMode(QFileDialog::AcceptSave);
    dialog->setNameFilter(tr("Packs (*.bpack)"));
    dialog->setDefaultSuffix(QStringLiteral("bpack"));
    dialog->selectFile(file_->text());
    connect(dialog, &QFileDialog::fileSelected, file_, &QLineEdit::setText);
    dialog->open();
}

void ExportPackSheet::write() {
    PackInfo info;
    info.name = name_->text().trimmed().toStdString();
    info.author = author_->text().trimmed().toStdString();
    info.licence = licence_->text().trimmed().toStdString();
    info.notes = notes_->toPlainText().trimmed().toStdString();
    if (cover_->isChecked()) info.cover = coverOf(state_);
    rememberLayout(QStringLiteral("author"), author_->text().toUtf8());
    QString file = file_->text().trimmed();
    if (!file.endsWith(QStringLiteral(".bpack"))) file += QStringLiteral(".bpack");
    try {
        const auto entries = ticked();
        requireOutput(file.toStdString(), state_.filesInUse(), isPack, words("a pack"));
        writeFileAtomically(file.toStdString(), packBytes(info, entries));
        state_.tell(tr("Pack written: %1, %2")
                        .arg(file, counted(static_cast<qsizetype>(entries.size()), tr("item"), tr("items"))));
        accept();
    } catch (const Error& e) {
        state_.tell(QString::fromStdString(e.what()), true);
        summary_->setText(QString::fromStdString(e.what()));
    }
}

} // namespace baryton
