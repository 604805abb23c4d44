#include "app/package/lut_panel.h"
#include "app/behind.h"
#include "app/package/lut_format_words.h"
#include "app/settings.h"
#include "app/widgets/labels.h"
#include "base/file.h"
#include "base/words.h"

#include <QFileDialog>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QScrollArea>
#include <QVBoxLayout>
#include <algorithm>

namespace baryton {

namespace fs = std::filesystem;

namespace {

QString joined(const std::vector<std::string>& names) {
    QStringList list;
    for (const auto& name : names) list.append(QString::fromStdString(name));
    return list.join(QStringLiteral(", "));
}

/// Whether Prep does something that a LUT can hold.
bool hasPrep(const Grade& grade) {
    return std::any_of(grade.prep.begin(), grade.prep.end(), [](const Stage& stage) {
        const StageType* type = findStageType(stage.type);
        return type && type->bakes() && !isNeutral(stage);
    });
}

QString sizeOf(std::size_t bytes) {
    constexpr std::size_t megabyte = 1000000;
    return QLocale().formattedDataSize(static_cast<qint64>(bytes), bytes < megabyte ? 0 : 1,
                                       QLocale::DataSizeSIFormat);
}

} // namespace

LutPanel::LutPanel(AppState& state, const char* role, QWidget* parent)
    : QWidget(parent), state_(state), formats_(new Segments(lutFormatWords())),
      sizes_(new Segments({QStringLiteral("17"), QStringLiteral("25"), QStringLiteral("33"), QStringLiteral("49"),
                           QStringLiteral("65")})),
      spaces_(new SpacesRow), everywhere_(new QCheckBox(tr("Masked layers everywhere"))),
      withPrep_(new QCheckBox(tr("With Prep"))), file_(new QLineEdit), export_(makeButton(tr("Export LUT"), role)),
      account_(makeLabel({}, "account")), fileNote_(makeLabel({}, "second")),
      pages_(new Segments({tr("Account"), tr("Grids"), tr("Where")})), stack_(new QStackedWidget),
      plot_(new SizePlot), missed_(new MissedView) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(8);
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(8);
    grid->setVerticalSpacing(6);
    grid->setColumnStretch(1, 1);
    formats_->setAccessibleName(tr("Format"));
    sizes_->setAccessibleName(tr("Grid"));
    sizes_->setCurrent(2);
    sizes_->setToolTip(tr("Points along each edge: more follow a strong look more closely and make a larger file"));
    grid->addWidget(new QLabel(tr("Format")), 0, 0);
    grid->addWidget(formats_, 0, 1, Qt::AlignRight);
    grid->addWidget(new QLabel(tr("Grid")), 1, 0);
    grid->addWidget(sizes_, 1, 1, Qt::AlignRight);
    grid->addWidget(new QLabel(tr("Reads · writes")), 2, 0);
    grid->addWidget(spaces_, 2, 1);
    connect(spaces_, &SpacesRow::chosen, this, [this] {
        sizesKnown_ = false;
        measure();
    });
    layout->addLayout(grid);
    everywhere_->setToolTip(
        tr("A LUT knows nothing of places: layers that a mask holds to some are left out of it, or act "
           "everywhere"));
    withPrep_->setToolTip(
        tr("Bakes this picture's Exposure and White balance too: for a LUT that is to make the whole "
           "picture, rather than one that is worn by many"));
    auto* ticks = new QHBoxLayout;
    ticks->addWidget(everywhere_);
    ticks->addWidget(withPrep_);
    ticks->addStretch(1);
    layout->addLayout(ticks);
    for (QCheckBox* box : {everywhere_, withPrep_}) {
        connect(box, &QCheckBox::clicked, this, [this] {
            sizesKnown_ = false;
            measure();
        });
        box->setEnabled(false);
    }
    auto* place = new QHBoxLayout;
    place->addWidget(new QLabel(tr("File")));
    file_->setAccessibleName(tr("LUT file"));
    place->addWidget(file_, 1);
    auto* choose = makeButton(tr("Choose…"), "");
    place->addWidget(choose);
    layout->addLayout(place);
    fileNote_->setWordWrap(true);
    layout->addWidget(fileNote_);
    account_->setWordWrap(true);
    account_->setAlignment(Qt::AlignTop);
    account_->setTextInteractionFlags(Qt::TextSelectableByMouse);
    plot_->setAccessibleName(tr("What each grid misses"));
    plot_->setNames(tr("Pictures"), tr("All colours"));
    plot_->setToolTip(tr("ΔE that 99 of 100 colours stay below at each grid, and the file's size: light, on the "
                         "pictures; grey, over all colours. Press a grid to choose it; drag the line to say how much "
                         "is near enough"));
    if (const double enough = layoutState(QStringLiteral("lut-enough")).toDouble(); enough > 0)
        plot_->setEnough(enough);
    auto* account = new QScrollArea; // one that leaves much out moves nothing
    account->setWidget(account_);
    account->setWidgetResizable(true);
    account->setFrameShape(QFrame::NoFrame);
    account->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    for (QWidget* page :
         {static_cast<QWidget*>(account), static_cast<QWidget*>(plot_), static_cast<QWidget*>(missed_)})
        stack_->addWidget(page);
    stack_->setMinimumHeight(100);
    layout->addWidget(stack_, 1);
    pages_->setAccessibleName(tr("What is seen of it"));
    pages_->setCurrent(0);
    auto* foot = new QHBoxLayout;
    foot->addWidget(export_);
    foot->addStretch(1);
    foot->addWidget(pages_);
    layout->addLayout(foot);
    connect(pages_, &Segments::chosen, stack_, &QStackedWidget::setCurrentIndex);
    connect(plot_, &SizePlot::chosen, this, [this](int column) {
        sizes_->setCurrent(column);
        Q_EMIT sizes_->chosen(column);
    });
    connect(plot_, &SizePlot::enoughChanged, this, [this](double enough) {
        rememberLayout(QStringLiteral("lut-enough"), QByteArray::number(enough));
        sizeIsChosen_ = false; // who says what is enough wants the grid for it
        adviseGrid();
    });

    pool_.setMaxThreadCount(1);
    measureTimer_.setSingleShot(true);
    measureTimer_.setInterval(120);
    connect(&measureTimer_, &QTimer::timeout, this, &LutPanel::measure);
    connect(formats_, &Segments::chosen, this, [this] {
        file_->setText(QString::fromStdString(
            fs::path(file_->text().toStdString()).replace_extension(lutExtension(format())).string()));
        sizesKnown_ = false;
        measure();
    });
    connect(sizes_, &Segments::chosen, this, [this] {
        sizeIsChosen_ = true;
        measure();
    });
    connect(file_, &QLineEdit::textChanged, this, [this](const QString& text) {
        std::error_code ignored;
        const bool exists = fs::exists(text.toStdString(), ignored);
        fileNote_->setText(exists ? tr("This file is there already and will be replaced.") : QString());
        fileNote_->setVisible(exists);
        export_->setEnabled(!text.trimmed().isEmpty());
    });
    connect(choose, &QPushButton::clicked, this, [this] {
        auto* dialog =
            new QFileDialog(window(), tr("Export LUT"), file_->text(), tr("LUT files (*.cube *.3dl *.clf)"));
        dialog->setAttribute(Qt::WA_DeleteOnClose);
        dialog->setAcceptMode(QFileDialog::AcceptSave);
        connect(dialog, &QFileDialog::fileSelected, file_, &QLineEdit::setText);
        dialog->open();
    });
    connect(export_, &QPushButton::clicked, this, &LutPanel::write);
    fileNote_->hide();
}

LutPanel::~LutPanel() {
    if (task_) task_->cancel();
    waitFor(pool_);
}

LutFormat LutPanel::format() const {
    return lutFormats()[static_cast<std::size_t>(formats_->current())];
}

int LutPanel::size() const {
    return kUsualSizes[static_cast<std::size_t>(sizes_->current())];
}

LutExport LutPanel::lut() const {
    LutExport lut;
    lut.file = file_->text().trimmed().toStdString();
    lut.format = format();
    lut.size = size();
    lut.title = title_.toStdString();
    lut.spaces = spaces_->spaces();
    lut.withPrep = withPrep_->isChecked();
    return lut;
}

void LutPanel::setSource(const Grade& grade, const QString& title, const std::vector<SourceFile>& pictures) {
    const bool newTitle = title != title_ || file_->text().isEmpty();
    if (!newTitle && grade == grade_ && pictures == pictures_) return; // is measured, or about to be
    grade_ = grade, title_ = title, pictures_ = pictures;
    const bool holdsPlaces = !withoutPlaces(grade).layers.empty();
    everywhere_->setEnabled(holdsPlaces);
    if (!holdsPlaces) everywhere_->setChecked(false);
    const bool hasOwnPrep = hasPrep(grade);
    withPrep_->setEnabled(hasOwnPrep);
    if (!hasOwnPrep) withPrep_->setChecked(false);
    sizesKnown_ = false;
    if (newTitle) placeFile();
    if (isVisible() && !isWriting_) measureTimer_.start();
}

Grade LutPanel::wanted() const {
    return everywhere_->isChecked() ? withoutPlaces(grade_).grade : grade_;
}

void LutPanel::showEvent(QShowEvent*) {
    measureTimer_.start();
}

void LutPanel::placeFile() {
    fs::path folder = state_.hasKey() ? state_.pictures().at(state_.key()).file.parent_path()
                                      : fs::path(QDir::homePath().toStdString());
    std::error_code ignored;
    folder = fs::absolute(folder, ignored) / "LUTs";
    const fs::path file = folder / (safeFileName(title_.toStdString()) + "." + lutExtension(format()));
    file_->setText(QString::fromStdString(file.string()));
    file_->setCursorPosition(static_cast<int>(file_->text().size()));
}

void LutPanel::showAccount(const QString& head, const LutExportReport& report) {
    const auto line = [](const QString& where, const Difference& d) {
        return tr("%1: ΔE mean %2 · 99 % %3 · worst %4")
            .arg(where)
            .arg(d.mean, 0, 'f', 2)
            .arg(d.percentile99, 0, 'f', 2)
            .arg(d.worst, 0, 'f', 2);
    };
    QString text = QStringLiteral("<span style='font-weight:600'>%1</span>").arg(head.toHtmlEscaped());
    if (report.fidelity.pictures.samples > 0)
        text += QStringLiteral("<br>") + line(tr("Pictures"), report.fidelity.pictures);
    text += QStringLiteral("<br>") + line(tr("All colours"), report.fidelity.cube);
    if (report.sampled)
        text += QStringLiteral("<br>") + tr("Fitted nodes (sampled: mean %1, worst %2)")
                                             .arg(report.sampled->cube.mean, 0, 'f', 2)
                                             .arg(report.sampled->cube.worst, 0, 'f', 2);
    text +=
        QStringLiteral("<br><span style='color:#a4a4a4'>") +
        (report.leftOut.empty()
             ? tr("Nothing is left out.")
             : tr("Left out, as it is no function of colour alone: %1").arg(joined(report.leftOut).toHtmlEscaped())) +
        QStringLiteral("</span>");
    if (everywhere_->isChecked())
        for (const std::string& layer : withoutPlaces(grade_).layers)
            text += QStringLiteral("<br>") +
                    tr("Acts everywhere in it: %1").arg(QString::fromStdString(layer)).toHtmlEscaped();
    account_->setText(text);
}

void LutPanel::measure() {
    if (task_) task_->cancel();
    task_ = std::make_shared<Task>();
    account_->setText(tr("Measuring…"));
    missed_->setImages({});
    plot_->setChosen(sizes_->current());
    runBehind(pool_, [this, task = task_, grade = wanted(), sources = pictures_, wanted = lut(),
                      own = state_.ownPixels(), sizesToo = !sizesKnown_] {
        std::vector<Picture> pictures;
        const auto tell = [this, task, size = wanted.size, &pictures](const LutExportReport& report,
                                                                      const QString& failure) {
            tellWindow(this, [this, task, report, failure, size, count = static_cast<qsizetype>(pictures.size())] {
                if (task->isCancelled()) return;
                if (failure.isEmpty())
                    showAccount(
                        tr("Fidelity at %1 (on %2)").arg(size).arg(counted(count, tr("picture"), tr("pictures"))),
                        report);
                else
                    account_->setText(failure);
            });
        };
        try {
            const auto measured = [&](const LutTable& table) {
                return measureFidelity(asWritten(table, wanted.format, wanted.spaces), grade, pictures, wanted,
                                       task.get());
            };
            if (wanted.format == LutFormat::ThreeDl && wanted.spaces.needsShaper())
                return tell({}, tr("A .3dl file has no room for the 1D table that light needs: choose .cube, or "
                                   "another space to read."));
            pictures = own->of(sources, task.get());
            // Sampled nodes are known at once; whether fitted ones are better takes a moment longer.
            LutExportReport report;
            report.leftOut = leftOutOfLut(grade);
            report.fidelity = measured(bakeLook(grade, wanted.size, "measured", wanted));
            tell(report, {});
            measureSizes(task, grade, wanted, pictures, sizesToo);
            const ChosenNodes chosen =
                chosenNodes(grade, wanted.size, "measured", NodeWay::Best, pictures, wanted, task.get());
            if (!chosen.isFitted) return;
            report.fidelity = chosen.fidelity;
            report.isFitted = true, report.sampled = chosen.sampled;
            tell(report, {});
        } catch (const Cancelled&) {
            return;
        } catch (const std::exception& e) {
            tell({}, QString::fromStdString(e.what()));
        }
    });
}

void LutPanel::measureSizes(const std::shared_ptr<Task>& task, const Grade& grade, const LutExport& wanted,
                            const std::vector<Picture>& pictures, bool sizesToo) {
    if (sizesToo) {
        tellWindow(this, [this, task] {
            if (task->isCancelled()) return;
            bySize_.clear();
            showSizes();
        });
        fidelityByGrid(grade, wanted, kUsualSizes, pictures, task.get(), [&](const GridSize& each) {
            tellWindow(this, [this, task, each] {
                if (task->isCancelled()) return;
                bySize_.push_back(each);
                showSizes();
                if (bySize_.size() < kUsualSizes.size()) return;
                sizesKnown_ = true;
                adviseGrid();
            });
        });
    }
    const LutTable table = asWritten(bakeLook(grade, wanted.size, "measured", wanted), wanted.format, wanted.spaces);
    QVector<QImage> images;
    for (const Picture& picture : pictures)
        images.append(imageOfMissed(missedOn(picture, table, grade, wanted, task.get())));
    tellWindow(this, [this, task, images] {
        if (!task->isCancelled()) missed_->setImages(images);
    });
}

void LutPanel::showSizes() {
    QVector<SizePlot::Column> columns;
    for (std::size_t i = 0; i < kUsualSizes.size(); ++i) {
        SizePlot::Column column{QString::number(kUsualSizes[i]), {}, {}, {}};
        if (i < bySize_.size()) {
            const Fidelity& fidelity = bySize_[i].fidelity;
            column.cost = sizeOf(bySize_[i].bytes);
            if (fidelity.pictures.samples > 0) column.first = fidelity.pictures.percentile99;
            column.second = fidelity.cube.percentile99;
        }
        columns.append(column);
    }
    plot_->setColumns(columns);
}

void LutPanel::adviseGrid() {
    if (sizeIsChosen_ || !sizesKnown_) return;
    const std::optional<int> enough = smallestWithin(bySize_, plot_->enough());
    const int wanted = enough.value_or(kUsualSizes.back());
    const auto at = static_cast<int>(std::find(kUsualSizes.begin(), kUsualSizes.end(), wanted) - kUsualSizes.begin());
    if (at == sizes_->current()) return;
    sizes_->setCurrent(at);
    measure();
}

void LutPanel::write() {
    if (task_) task_->cancel();
    task_ = std::make_shared<Task>();
    export_->setEnabled(false);
    account_->setText(tr("Writing and reading back…"));
    sizeIsChosen_ = true; // what is written stays chosen
    isWriting_ = true;
    measureTimer_.stop();
    runBehind(pool_, [this, task = task_, wanted = lut(), grade = wanted(), sources = pictures_,
                      own = state_.ownPixels(), inUse = state_.filesInUse(), sizesToo = !sizesKnown_] {
        LutExportReport report;
        QString failure;
        std::vector<Picture> pictures;
        try {
            pictures = own->of(sources);
            requireOutput(wanted.file, inUse, isLutFile, words("a LUT"));
            report = exportLut(grade, wanted, pictures);
        } catch (const std::exception& e) {
            failure = QString::fromStdString(e.what());
        }
        tellWindow(this, [this, wanted, report, failure] {
            isWriting_ = false;
            export_->setEnabled(true);
            const QString file = QString::fromStdString(wanted.file.string());
            if (!failure.isEmpty()) {
                account_->setText(failure);
                state_.tell(failure, true);
                return;
            }
            showAccount(tr("Written and read back: %1").arg(QString::fromStdString(wanted.file.filename().string())),
                        report);
            state_.tell(tr("LUT written: %1").arg(file));
            Q_EMIT written(file);
        });
        if (!failure.isEmpty()) return;
        try { // what was still being measured when it was asked for
            measureSizes(task, grade, wanted, pictures, sizesToo);
        } catch (const std::exception&) {
            // Cancelled, or no memory for more than the file, which is there.
        }
    });
}

} // namespace baryton
