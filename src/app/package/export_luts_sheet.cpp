#include "app/package/export_luts_sheet.h"
#include "app/behind.h"
#include "app/package/lut_format_words.h"
#include "app/settings.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "base/error.h"
#include "base/words.h"

#include <QFileDialog>
#include <QGridLayout>
#include <QHeaderView>
#include <QStandardPaths>

namespace baryton {

namespace {

enum LutColumn { NameOfLut, GridColumn, MeanColumn, FarColumn, WorstColumn, LeftOut };

/// What is near enough, as the line in the plot of one LUT's grids was left.
double nearEnough() {
    constexpr double usual = 0.5;
    const double enough = layoutState(QStringLiteral("lut-enough")).toDouble();
    return enough > 0 ? enough : usual;
}

} // namespace

ExportLutsSheet::ExportLutsSheet(AppState& state, const std::vector<LibraryEntry>& entries,
                                 std::vector<SourceFile> pictures, QWidget* parent)
    : Sheet(tr("Export LUTs"), QStringLiteral("guide/package#") + tr("As a LUT"), parent), state_(state),
      pictures_(std::move(pictures)), folder_(new QLineEdit), pattern_(new QLineEdit),
      formats_(new Segments(lutFormatWords())),
      sizes_(new Segments({tr("near enough"), QStringLiteral("17"), QStringLiteral("25"), QStringLiteral("33"),
                           QStringLiteral("49"), QStringLiteral("65")})),
      spaces_(new SpacesRow), everywhere_(new QCheckBox(tr("Masked layers everywhere"))), list_(new QTreeWidget),
      summary_(new StillText(2)), write_(makeButton(tr("Write LUTs"), "primary")) {
    resize(760, 600);
    for (const LibraryEntry& entry : entries)
        if (entry.preset) items_.push_back({entry.file, entry.name, entry.group, entry.preset->carried});
    addNote(tr("Each preset becomes a LUT file, is read back and measured."));
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(8);
    grid->setVerticalSpacing(6);
    grid->setColumnStretch(1, 1);
    auto add = [&, row = 0](const QString& name, QWidget* field, Qt::Alignment align = Qt::Alignment()) mutable {
        grid->addWidget(new QLabel(name), row, 0);
        grid->addWidget(field, row++, 1, align);
    };
    formats_->setAccessibleName(tr("Format"));
    formats_->setCurrent(0);
    sizes_->setAccessibleName(tr("Grid"));
    sizes_->setCurrent(0);
    sizes_->button(0)->setToolTip(tr("Of each the smallest grid at which 99 of 100 colours lie within ΔE %1; the "
                                     "line in Grids, where one preset "
                                     "is exported, says how much that is")
                                      .arg(nearEnough(), 0, 'f', 2));
    add(tr("Format"), formats_, Qt::AlignRight);
    add(tr("Grid"), sizes_, Qt::AlignRight);
    add(tr("Reads · writes"), spaces_);
    add(QString(), everywhere_, Qt::AlignRight);
    auto* place = new QWidget;
    auto* placeRow = new QHBoxLayout(place);
    placeRow->setContentsMargins(0, 0, 0, 0);
    auto* choose = makeButton(tr("Choose…"), "");
    placeRow->addWidget(folder_, 1);
    placeRow->addWidget(choose);
    folder_->setAccessibleName(tr("Folder"));
    folder_->setText(QStandardPaths::writableLocation(QStandardPaths::DocumentsLocation) + QStringLiteral("/LUTs"));
    pattern_->setAccessibleName(tr("Names"));
    pattern_->setText(QStringLiteral("{preset}.{ext}"));
    pattern_->setToolTip(
        tr("{preset}, {look} (in small letters), {folder} (the group), {n} and {ext}; a / makes folders"));
    add(tr("Folder"), place);
    add(tr("Names"), pattern_);
    rows()->addLayout(grid);
    list_->setHeaderLabels({tr("Preset → file"), tr("Grid"), tr("ΔE mean"), tr("99 %"), tr("worst"), tr("Left out")});
    list_->setRootIsDecorated(false);
    list_->setSelectionMode(QAbstractItemView::NoSelection);
    list_->setAccessibleName(tr("LUTs to be written"));
    list_->header()->setStretchLastSection(true);
    constexpr int nameWide = 330, numberWide = 66, buttonWide = 110;
    write_->setMinimumWidth(buttonWide); // whatever it says
    list_->setColumnWidth(NameOfLut, nameWide);
    for (int column = GridColumn; column <= WorstColumn; ++column) {
        list_->setColumnWidth(column, numberWide);
        list_->headerItem()->setTextAlignment(column, Qt::AlignRight | Qt::AlignVCenter);
    }
    for (const LutSetItem& item : items_) {
        auto* row = new QTreeWidgetItem(list_, {QString::fromStdString(item.name)});
        for (int column = GridColumn; column <= WorstColumn; ++column)
            row->setTextAlignment(column, Qt::AlignRight | Qt::AlignVCenter);
    }
    rows()->addWidget(list_, 1);
    rows()->addWidget(summary_);
    write_->setDefault(true); // Enter writes
    addCloseFoot("", write_);
    pool_.setMaxThreadCount(1);
    connect(choose, &QPushButton::clicked, this, [this] {
        auto* dialog = new QFileDialog(this, tr("Folder for LUTs"), folder_->text());
        dialog->setAttribute(Qt::WA_DeleteOnClose);
        dialog->setFileMode(QFileDialog::Directory);
        connect(dialog, &QFileDialog::fileSelected, folder_, &QLineEdit::setText);
        dialog->open();
    });
    connect(write_, &QPushButton::clicked, this, &ExportLutsSheet::start);
    connect(folder_, &QLineEdit::textChanged, this, &ExportLutsSheet::review);
    connect(pattern_, &QLineEdit::textChanged, this, &ExportLutsSheet::review);
    for (Segments* each : {formats_, sizes_}) connect(each, &Segments::chosen, this, &ExportLutsSheet::review);
    connect(spaces_, &SpacesRow::chosen, this, &ExportLutsSheet::review);
    connect(everywhere_, &QCheckBox::clicked, this, &ExportLutsSheet::review);
    review();
}

ExportLutsSheet::~ExportLutsSheet() {
    if (task_) task_->cancel();
    waitFor(pool_);
}

void ExportLutsSheet::done(int result) {
    if (task_) task_->cancel();
    waitFor(pool_);
    Sheet::done(result);
}

LutSetWish ExportLutsSheet::wish() const {
    LutSetWish wish;
    wish.folder = folder_->text().trimmed().toStdString();
    wish.pattern = pattern_->text().trimmed().toStdString();
    wish.lut.format = lutFormats()[static_cast<std::size_t>(formats_->current())];
    wish.lut.spaces = spaces_->spaces();
    wish.ignoresMasks = everywhere_->isChecked();
    if (sizes_->current() > 0) {
        wish.lut.size = kUsualSizes[static_cast<std::size_t>(sizes_->current() - 1)];
    } else {
        wish.within = nearEnough();
    }
    return wish;
}

void ExportLutsSheet::review() {
    if (task_) return;
    QString told;
    try {
        if (wish().folder.empty()) throw Error("", "", words("no folder is named"), words("choose one"));
        const auto files = lutSetFiles(items_, wish());
        int there = 0;
        for (std::size_t i = 0; i < items_.size(); ++i) {
            QTreeWidgetItem* row = list_->topLevelItem(static_cast<int>(i));
            const QString name = QString::fromStdString(files[i].lexically_relative(wish().folder).string());
            row->setText(NameOfLut, QStringLiteral("%1 → %2").arg(QString::fromStdString(items_[i].name), name));
            row->setToolTip(NameOfLut, QString::fromStdString(files[i].string()));
            std::error_code ignored;
            there += std::filesystem::exists(files[i], ignored);
            QStringList leftOut;
            const Grade look = everywhere_->isChecked() ? withoutPlaces(items_[i].look).grade : items_[i].look;
            for (const std::string& each : leftOutOfLut(look)) leftOut.append(QString::fromStdString(each));
            row->setData(LeftOut, Qt::ForegroundRole, {}); // as it was before one failed
            row->setText(LeftOut, leftOut.join(QStringLiteral(", ")));
            row->setToolTip(LeftOut, row->text(LeftOut));
            for (int column = GridColumn; column <= WorstColumn; ++column) row->setText(column, {});
        }
        told = items_.empty() ? tr("There is no preset here that can be read.")
                              : tr("%1 will be written.")
                                    .arg(counted(static_cast<qsizetype>(items_.size()), tr("LUT"), tr("LUTs")));
        if (there > 0) told += tr(" %1 of them are there already and will be replaced.").arg(there);
        write_->setEnabled(!items_.empty());
    } catch (const Error& e) {
        told = QString::fromStdString(e.what());
        write_->setEnabled(false);
    }
    summary_->setText(told);
}

void ExportLutsSheet::start() {
    if (task_) return task_->cancel();
    task_ = std::make_shared<Task>();
    written_ = failed_ = tooFar_ = 0;
    write_->setText(tr("Stop"));
    for (QWidget* field : std::initializer_list<QWidget*>{folder_, pattern_, formats_, sizes_, spaces_, everywhere_})
        field->setEnabled(false);
    summary_->setText(tr("Writing, reading back and measuring…"));
    runBehind(pool_,
              [this, task = task_, items = items_, wanted = wish(), sources = pictures_, own = state_.ownPixels()] {
                  QString failure;
                  try {
                      exportLutSet(items, wanted, own->of(sources, task.get()), task.get(),
                                   [&](std::size_t row, const LutSetEntry& entry) {
                                       tellWindow(this, [this, row, entry] { take(row, entry); });
                                   });
                  } catch (const std::exception& e) {
                      failure = QString::fromStdString(e.what());
                  }
                  tellWindow(this, [this, task, failure] { finish(!task->isCancelled(), failure); });
              });
}

void ExportLutsSheet::take(std::size_t index, const LutSetEntry& entry) {
    QTreeWidgetItem* row = list_->topLevelItem(static_cast<int>(index));
    list_->scrollToItem(row);
    if (!entry.failure.empty()) {
        ++failed_;
        row->setText(LeftOut, QString::fromStdString(entry.failure));
        row->setToolTip(LeftOut, row->text(LeftOut));
        row->setForeground(LeftOut, theme::colours().error);
        return;
    }
    ++written_;
    // Of the pictures where there are any: what is worn on them.
    const Fidelity& fidelity = entry.report.fidelity;
    const Difference& apart = fidelity.pictures.samples > 0 ? fidelity.pictures : fidelity.cube;
    row->setText(GridColumn, QString::number(entry.size));
    if (!entry.isAsNear) {
        ++tooFar_;
        row->setForeground(GridColumn, theme::colours().accent);
        row->setToolTip(GridColumn, tr("No usual grid is as near as is asked for: this is the finest"));
    }
    row->setText(MeanColumn, QString::number(apart.mean, 'f', 2));
    row->setText(FarColumn, QString::number(apart.percentile99, 'f', 2));
    row->setText(WorstColumn, QString::number(apart.worst, 'f', 2));
    summary_->setText(tr("%1 of %2 written…").arg(written_).arg(items_.size()));
}

void ExportLutsSheet::finish(bool isWhole, const QString& failure) {
    task_.reset();
    write_->setText(tr("Write LUTs"));
    for (QWidget* field : std::initializer_list<QWidget*>{folder_, pattern_, formats_, sizes_, spaces_, everywhere_})
        field->setEnabled(true);
    QString told = failure;
    if (told.isEmpty()) {
        told = tr("%1 written to %2.").arg(counted(written_, tr("LUT"), tr("LUTs")), folder_->text());
        if (failed_ > 0) told += u' ' + tr("%1 could not be: see the list.").arg(failed_);
        if (tooFar_ > 0) told += u' ' + tr("%1 need a finer grid than there is: marked in the list.").arg(tooFar_);
        if (!isWhole) told += u' ' + tr("Stopped; what is written stays.");
    }
    summary_->setText(told);
    state_.tell(told, failed_ > 0 || !failure.isEmpty());
}

} // namespace baryton
