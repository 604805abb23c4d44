#include "app/package/lut_panel.h"
#include "app/behind.h"
#include "app/widgets/labels.h"
#include "base/file.h"
#include "base/words.h"

#include <QComboBox>
#include <QFileDialog>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QVBoxLayout>

namespace baryton {

namespace fs = std::filesystem;

namespace {

constexpr int kSizes[] = {17, 25, 33, 49, 65};

QString joined(const std::vector<std::string>& names) {
    QStringList list;
    for (const auto& name : names) list.append(QString::fromStdString(name));
    return list.join(QStringLiteral(", "));
}

/// The table as a reader of the file will have it, digits and steps of the format included.
LutTable throughText(const LutTable& table, LutFormat format) {
    return format == LutFormat::Cube ? parseCube(cubeText(table)).table : parseThreeDl(threeDlText(table)).table;
}

} // namespace

LutPanel::LutPanel(AppState& state, const char* role, QWidget* parent)
    : QWidget(parent), state_(state), formats_(new Segments({QStringLiteral(".cube"), QStringLiteral(".3dl")})),
      sizes_(new Segments({QStringLiteral("17"), QStringLiteral("25"), QStringLiteral("33"), QStringLiteral("49"),
                           QStringLiteral("65")})),
      reads_(new QComboBox), writes_(new QComboBox), everywhere_(new QCheckBox(tr("Masked layers everywhere"))),
      file_(new QLineEdit), export_(makeButton(tr("Export LUT"), role)), account_(makeLabel({}, "account")),
      fileNote_(makeLabel({}, "second")) {
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
    auto* spaces = new QHBoxLayout;
    spaces->addStretch(1);
    spaces->addWidget(reads_);
    spaces->addWidget(new QLabel(QStringLiteral("→")));
    spaces->addWidget(writes_);
    grid->addLayout(spaces, 2, 1);
    reads_->setAccessibleName(tr("Reads"));
    writes_->setAccessibleName(tr("Writes"));
    reads_->setToolTip(tr("The space of the numbers that the LUT will be given, where it is worn"));
    writes_->setToolTip(tr("The space of the numbers that it gives there"));
    for (QComboBox* box : {reads_, writes_}) {
        for (const EncodingType& type : encodings()) box->addItem(QString::fromStdString(type.name));
        connect(box, &QComboBox::activated, this, &LutPanel::measure);
    }
    layout->addLayout(grid);
    everywhere_->setToolTip(
        tr("A LUT knows nothing of places: layers that a mask holds to some are left out of it, or act "
           "everywhere"));
    layout->addWidget(everywhere_);
    connect(everywhere_, &QCheckBox::clicked, this, &LutPanel::measure);
    everywhere_->setEnabled(false);
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
    account_->setMinimumHeight(100);
    account_->setAlignment(Qt::AlignTop);
    account_->setTextInteractionFlags(Qt::TextSelectableByMouse);
    layout->addWidget(account_);
    layout->addWidget(export_, 0, Qt::AlignLeft);

    pool_.setMaxThreadCount(1);
    measureTimer_.setSingleShot(true);
    measureTimer_.setInterval(120);
    connect(&measureTimer_, &QTimer::timeout, this, &LutPanel::measure);
    connect(formats_, &Segments::chosen, this, [this] {
        file_->setText(QString::fromStdString(
            fs::path(file_->text().toStdString()).replace_extension(lutExtension(format())).string()));
        measure();
    });
    connect(sizes_, &Segments::chosen, this, &LutPanel::measure);
    connect(file_, &QLineEdit::textChanged, this, [this](const QString& text) {
        std::error_code ignored;
        const bool exists = fs::exists(text.toStdString(), ignored);
        fileNote_->setText(exists ? tr("This file is there already and will be replaced.") : QString());
        fileNote_->setVisible(exists);
        export_->setEnabled(!text.trimmed().isEmpty());
    });
    connect(choose, &QPushButton::clicked, this, [this] {
        auto* dialog = new QFileDialog(window(), tr("Export LUT"), file_->text(), tr("LUT files (*.cube *.3dl)"));
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
    return formats_->current() == 0 ? LutFormat::Cube : LutFormat::ThreeDl;
}

int LutPanel::size() const {
    return kSizes[sizes_->current()];
}

LutSpaces LutPanel::spaces() const {
    return {static_cast<Encoding>(reads_->currentIndex()), static_cast<Encoding>(writes_->currentIndex())};
}

void LutPanel::setSource(const Grade& grade, const QString& title, const std::vector<Picture>& pictures) {
    const bool newTitle = title != title_ || file_->text().isEmpty();
    grade_ = grade, title_ = title, pictures_ = pictures;
    const bool holdsPlaces = !withoutPlaces(grade).layers.empty();
    everywhere_->setEnabled(holdsPlaces);
    if (!holdsPlaces) everywhere_->setChecked(false);
    if (newTitle) placeFile();
    if (isVisible()) measureTimer_.start();
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
    runBehind(pool_, [this, task = task_, grade = wanted(), pictures = pictures_, size = size(), format = format(),
                      spaces = spaces()] {
        const auto tell = [this, task, size](const LutExportReport& report, const QString& failure) {
            tellWindow(this, [this, task, report, failure, size] {
                if (task->isCancelled()) return;
                if (failure.isEmpty())
                    showAccount(
                        tr("Fidelity at %1 (on %2)")
                            .arg(size)
                            .arg(counted(static_cast<qsizetype>(pictures_.size()), tr("picture"), tr("pictures"))),
                        report);
                else
                    account_->setText(failure);
            });
        };
        try {
            const auto measured = [&](const LutTable& table) {
                return measureFidelity(throughText(table, format), grade, pictures, false, task.get(), spaces);
            };
            if (format == LutFormat::ThreeDl && spaces.needsShaper())
                return tell({}, tr("A .3dl file has no room for the 1D table that light needs: choose .cube, or "
                                   "another space to read."));
            // Sampled nodes are known at once; whether fitted ones are better takes a moment longer.
            LutExportReport report;
            report.leftOut = leftOutOfLut(grade);
            report.fidelity = measured(bakeLook(grade, size, "measured", false, spaces));
            tell(report, {});
            const ChosenNodes chosen =
                chosenNodes(grade, size, "measured", NodeWay::Best, pictures, task.get(), spaces);
            if (!chosen.isFitted) return;
            report.fidelity = measured(chosen.table);
            report.isFitted = true, report.sampled = chosen.sampled;
            tell(report, {});
        } catch (const Cancelled&) {
            return;
        } catch (const std::exception& e) {
            tell({}, QString::fromStdString(e.what()));
        }
    });
}

void LutPanel::write() {
    if (task_) task_->cancel();
    task_ = std::make_shared<Task>();
    export_->setEnabled(false);
    account_->setText(tr("Writing and reading back…"));
    LutExport lut;
    lut.file = file_->text().trimmed().toStdString();
    lut.format = format();
    lut.size = size();
    lut.title = title_.toStdString();
    lut.spaces = spaces();
    runBehind(pool_, [this, wanted = lut, grade = wanted(), pictures = pictures_, inUse = state_.filesInUse()] {
        LutExportReport report;
        QString failure;
        try {
            requireOutput(wanted.file, inUse, isLutFile, words("a LUT"));
            report = exportLut(grade, wanted, pictures);
        } catch (const std::exception& e) {
            failure = QString::fromStdString(e.what());
        }
        tellWindow(this, [this, wanted, report, failure] {
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
    });
}

} // namespace baryton
