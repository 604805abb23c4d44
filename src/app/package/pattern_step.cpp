#include "app/package/pattern_step.h"
#include "app/behind.h"
#include "app/widgets/labels.h"
#include "base/error.h"
#include "base/letters.h"
#include "base/output.h"
#include "base/words.h"
#include "lut/pattern.h"
#include "picture/metadata.h"

#include <QFileDialog>
#include <QHBoxLayout>

namespace baryton {

namespace {

constexpr int kOwnSizes[] = {17, 33, 65};
constexpr int kLevels[] = {4, 6, 8};
enum Layout { Ours, Square };

QStringList sizeWords(int layout) {
    return layout == Ours ? QStringList{QStringLiteral("17"), QStringLiteral("33"), QStringLiteral("65")}
                          : QStringList{QStringLiteral("16"), QStringLiteral("36"), QStringLiteral("64")};
}

/// By the name of the file that a pattern is written to; throws Error where that is no place for one.
OutputFormat formatFor(const std::filesystem::path& file, int bits, const InputSet& inUse) {
    const std::string extension = lowerCase(file.extension().string());
    OutputFormat format;
    format.bits = bits;
    format.format = extension == ".png" ? FileFormat::Png : FileFormat::Tiff;
    if (extension != ".png" && extension != ".tif" && extension != ".tiff")
        throw Error(file.string(), "", words("a pattern is a PNG or a TIFF: others would change its colours"),
                    words("end the name in .png or .tif"));
    requireOutput(file, inUse, isOwnWork, words("a picture of ours"));
    return format;
}

} // namespace

PatternStep::PatternStep(AppState& state, QWidget* parent)
    : QWidget(parent), state_(state), layouts_(new Segments({tr("Baryton's"), tr("Square cube")})),
      sizes_(new Segments(sizeWords(Ours))), depths_(new Segments({tr("8 bit"), tr("16 bit")})),
      written_(makeLabel({}, "second")), write_(makeButton(tr("Write the pattern…"), "")),
      choose_(makeButton(tr("Choose what came back…"), "")) {
    pool_.setMaxThreadCount(1);
    auto* rows = new QVBoxLayout(this);
    rows->setContentsMargins(0, 0, 0, 0);
    rows->setSpacing(8);
    rows->addWidget(makeLabel(tr("A picture of every colour"), "heading"));
    layouts_->setAccessibleName(tr("Layout"));
    sizes_->setAccessibleName(tr("Grid"));
    depths_->setAccessibleName(tr("Depth"));
    layouts_->setCurrent(Ours), sizes_->setCurrent(1), depths_->setCurrent(1);
    layouts_->setToolTip(
        tr("Baryton's pattern tells what else was done to it, and is read where it lies; the square cube is "
           "what many programs know, and is read pixel by pixel"));
    sizes_->setToolTip(tr("Points along each edge: more follow a strong grade more closely"));
    auto* row = new QHBoxLayout;
    row->addWidget(layouts_);
    row->addWidget(sizes_);
    row->addWidget(depths_);
    row->addStretch(1);
    rows->addLayout(row);
    auto* line = new QHBoxLayout;
    line->addWidget(write_);
    written_->setWordWrap(true);
    written_->setFixedHeight(2 * written_->fontMetrics().lineSpacing() + 2);
    line->addWidget(written_, 1);
    rows->addLayout(line);
    connect(layouts_, &Segments::chosen, this, &PatternStep::showSizes);
    connect(write_, &QPushButton::clicked, this, [this] {
        auto* dialog = new QFileDialog(this, tr("Write the pattern"), QStringLiteral("pattern.png"),
                                       tr("Pictures (*.png *.tif)"));
        dialog->setAttribute(Qt::WA_DeleteOnClose);
        dialog->setAcceptMode(QFileDialog::AcceptSave);
        dialog->setDefaultSuffix(QStringLiteral("png"));
        connect(dialog, &QFileDialog::fileSelected, this, &PatternStep::writeTo);
        dialog->open();
    });
    auto* back = new QHBoxLayout;
    back->addWidget(choose_);
    back->addWidget(makeLabel(tr("or drop it here"), "second"));
    back->addStretch(1);
    rows->addLayout(back);
    connect(choose_, &QPushButton::clicked, this, [this] {
        auto* dialog = new QFileDialog(this, tr("Choose what came back"), {},
                                       tr("Pictures (*.png *.tif *.tiff *.jpg *.jpeg *.webp *.avif)"));
        dialog->setAttribute(Qt::WA_DeleteOnClose);
        connect(dialog, &QFileDialog::fileSelected, this, &PatternStep::cameBack);
        dialog->open();
    });
}

PatternStep::~PatternStep() {
    waitFor(pool_);
}

void PatternStep::showSizes() {
    const QStringList words = sizeWords(layouts_->current());
    for (int i = 0; i < words.size(); ++i) sizes_->button(i)->setText(words[i]);
}

void PatternStep::writeTo(const QString& file) {
    const int layout = layouts_->current(), size = sizes_->current(), bits = depths_->current() == 0 ? 8 : 16;
    write_->setEnabled(false);
    written_->setText(tr("Being written…"));
    runBehind(pool_, [this, file, layout, size, bits, inUse = state_.filesInUse()] {
        QString text;
        try {
            const OutputFormat format = formatFor(file.toStdString(), bits, inUse);
            const QuantisedPicture pattern =
                layout == Ours ? ownPattern(kOwnSizes[size], bits) : squareCube(kLevels[size], bits);
            writePicture(file.toStdString(), pattern, {}, format);
            text = tr("%1 · %2 × %3 pixels. Grade it with nothing but colours: no crop, no sharpening, no grain.")
                       .arg(QFileInfo(file).fileName())
                       .arg(pattern.width)
                       .arg(pattern.height);
        } catch (const std::exception& e) {
            text = QString::fromUtf8(e.what());
        }
        tellWindow(this, [this, text] {
            written_->setText(text);
            write_->setEnabled(true);
        });
    });
}

} // namespace baryton
