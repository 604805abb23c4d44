#include "app/package/learn_sheet.h"
#include "app/behind.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "base/error.h"
#include "base/letters.h"
#include "base/output.h"
#include "base/words.h"
#include "lut/bake.h"
#include "lut/pattern.h"
#include "package/library.h"
#include "picture/metadata.h"

#include <QDragEnterEvent>
#include <QFileDialog>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QMimeData>
#include <QScrollArea>

namespace baryton {

namespace {

constexpr int kOwnSizes[] = {17, 33, 65};
constexpr int kLevels[] = {4, 6, 8};
constexpr QSize kShown{264, 176};
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

QLabel* makeShown(const QString& name) {
    auto* label = new QLabel;
    label->setFixedSize(kShown);
    label->setAlignment(Qt::AlignCenter);
    label->setAccessibleName(name);
    QPixmap empty(kShown);
    empty.fill(theme::colours().well);
    label->setPixmap(empty);
    return label;
}

} // namespace

LearnSheet::LearnSheet(AppState& state, QWidget* parent)
    : Sheet(tr("Learn a LUT"), parent), state_(state), layouts_(new Segments({tr("Baryton's"), tr("Square cube")})),
      sizes_(new Segments(sizeWords(Ours))), depths_(new Segments({tr("8 bit"), tr("16 bit")})),
      written_(makeLabel({}, "second")), account_(makeLabel({}, "account")),
      before_(makeShown(tr("The picture before"))), after_(makeShown(tr("The picture with the LUT"))),
      name_(new QLineEdit), group_(new QComboBox), write_(makeButton(tr("Write the pattern…"), "")),
      choose_(makeButton(tr("Choose what came back…"), "")), keep_(makeButton(tr("Keep as a preset"), "primary")) {
    setFixedWidth(2 * kShown.width() + 44);
    setAcceptDrops(true);
    pool_.setMaxThreadCount(1);
    rows()->setSpacing(10);
    addNote(tr("A grade that another program makes, as a LUT: a picture of every colour goes there, is graded with "
               "nothing but colours, and comes back."));
    addFirstStep();
    addSecondStep();
    auto* foot = new QHBoxLayout;
    name_->setPlaceholderText(tr("Name"));
    name_->setAccessibleName(tr("Preset name"));
    name_->setMaxLength(200);
    group_->setEditable(true);
    group_->setAccessibleName(tr("Group"));
    for (const auto& group : state.library().groups()) group_->addItem(QString::fromStdString(group));
    group_->setCurrentText(tr("Learned"));
    foot->addWidget(name_, 1);
    foot->addWidget(makeLabel(tr("in group"), "second"));
    foot->addWidget(group_);
    rows()->addLayout(foot);
    addFoot(keep_);
    connect(&drawer_, &TileDrawer::drawn, this, [this](int id, const QImage& image) {
        (id == 0 ? before_ : after_)
            ->setPixmap(QPixmap::fromImage(
                image.scaled(kShown * devicePixelRatioF(), Qt::KeepAspectRatio, Qt::SmoothTransformation)));
    });
    connect(name_, &QLineEdit::textChanged, this, &LearnSheet::check);
    connect(group_, &QComboBox::currentTextChanged, this, &LearnSheet::check);
    connect(keep_, &QPushButton::clicked, this, &LearnSheet::keep);
    drawPictures();
    check();
    setFixedHeight(rows()->totalHeightForWidth(width())); // nothing in it grows
}

LearnSheet::~LearnSheet() {
    if (task_) task_->cancel();
    waitFor(pool_);
}

void LearnSheet::addFirstStep() {
    rows()->addWidget(makeLabel(tr("1 · Write the pattern"), "heading"));
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
    rows()->addLayout(row);
    auto* line = new QHBoxLayout;
    line->addWidget(write_);
    written_->setWordWrap(true);
    written_->setFixedHeight(2 * written_->fontMetrics().lineSpacing() + 2);
    line->addWidget(written_, 1);
    rows()->addLayout(line);
    connect(layouts_, &Segments::chosen, this, &LearnSheet::showSizes);
    connect(write_, &QPushButton::clicked, this, [this] {
        auto* dialog = new QFileDialog(this, tr("Write the pattern"), QStringLiteral("pattern.png"),
                                       tr("Pictures (*.png *.tif)"));
        dialog->setAttribute(Qt::WA_DeleteOnClose);
        dialog->setAcceptMode(QFileDialog::AcceptSave);
        dialog->setDefaultSuffix(QStringLiteral("png"));
        connect(dialog, &QFileDialog::fileSelected, this, &LearnSheet::writeTo);
        dialog->open();
    });
}

void LearnSheet::addSecondStep() {
    rows()->addWidget(makeLabel(tr("2 · Bring it back"), "heading"));
    auto* line = new QHBoxLayout;
    line->addWidget(choose_);
    auto* hint = makeLabel(tr("or drop it here"), "second");
    line->addWidget(hint);
    line->addStretch(1);
    rows()->addLayout(line);
    account_->setWordWrap(true);
    account_->setAlignment(Qt::AlignTop);
    account_->setTextInteractionFlags(Qt::TextSelectableByMouse);
    account_->setText(
        tr("Saved as PNG or TIFF with 16 bits it teaches most. What else was done to it is told here."));
    auto* scroll = new QScrollArea; // however much there is to tell, nothing below it moves
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setWidgetResizable(true);
    scroll->setFixedHeight(122);
    scroll->setWidget(account_);
    rows()->addWidget(scroll);
    auto* pictures = new QGridLayout;
    pictures->setHorizontalSpacing(12);
    pictures->setVerticalSpacing(4);
    pictures->addWidget(makeLabel(tr("As it is"), "second"), 0, 0);
    pictures->addWidget(makeLabel(tr("With the LUT"), "second"), 0, 1);
    pictures->addWidget(before_, 1, 0);
    pictures->addWidget(after_, 1, 1);
    rows()->addLayout(pictures);
    connect(choose_, &QPushButton::clicked, this, [this] {
        auto* dialog = new QFileDialog(this, tr("Choose what came back"), {},
                                       tr("Pictures (*.png *.tif *.tiff *.jpg *.jpeg *.webp)"));
        dialog->setAttribute(Qt::WA_DeleteOnClose);
        connect(dialog, &QFileDialog::fileSelected, this, &LearnSheet::learnFrom);
        dialog->open();
    });
}

void LearnSheet::showSizes() {
    const QStringList words = sizeWords(layouts_->current());
    for (int i = 0; i < words.size(); ++i) sizes_->button(i)->setText(words[i]);
}

void LearnSheet::writeTo(const QString& file) {
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

void LearnSheet::learnFrom(const QString& file) {
    if (task_) task_->cancel();
    task_ = std::make_shared<Task>();
    table_.reset();
    account_->setText(tr("Reading %1…").arg(QFileInfo(file).fileName()));
    drawPictures();
    check();
    runBehind(pool_, [this, file, task = task_] {
        LearntLut learnt;
        QString problem;
        try {
            learnt = learnFromPattern(std::filesystem::path(file.toStdString()), task.get());
        } catch (const Cancelled&) {
            return;
        } catch (const std::exception& e) {
            problem = QString::fromUtf8(e.what());
        }
        tellWindow(this, [this, file, task, learnt = std::move(learnt), problem] {
            if (task->isCancelled()) return;
            if (problem.isEmpty())
                showLearnt(file, learnt);
            else
                account_->setText(problem);
        });
    });
}

void LearnSheet::showLearnt(const QString& file, const LearntLut& learnt) {
    table_ = learnt.table;
    QString text =
        tr("%1: a LUT of %2 points along each edge.").arg(QFileInfo(file).fileName()).arg(learnt.account.size);
    for (const auto& remark : learnt.account.remarks) text += QStringLiteral("\n· ") + QString::fromStdString(remark);
    if (learnt.account.remarks.empty()) text += u' ' + tr("Nothing else was done to it.");
    account_->setText(text);
    if (name_->text().isEmpty()) name_->setText(QFileInfo(file).completeBaseName());
    drawPictures();
    check();
}

void LearnSheet::drawPictures() {
    if (!state_.hasKey()) return;
    const Picture small = state_.pictures().smallOf(state_.key());
    if (small.isEmpty()) return;
    Grade plain; // as the LUT finds it: developed, not graded
    plain.prep = state_.keyGrade().prep;
    Grade with = plain;
    if (table_) with.look = lutGrade(*table_, "LUT").look;
    drawer_.draw({{0, plain, small}, {1, with, small}});
}

void LearnSheet::check() {
    keep_->setEnabled(table_ && !name_->text().trimmed().isEmpty() && !group_->currentText().trimmed().isEmpty());
}

void LearnSheet::keep() {
    const std::string name = name_->text().trimmed().toStdString(),
                      group = group_->currentText().trimmed().toStdString();
    Preset preset = lutPreset(*table_, name);
    preset.name = name;
    state_.editLibrary([&] { return state_.library().add(preset, group, true); });
    state_.tell(tr("%1 added to the group %2").arg(QString::fromStdString(name), QString::fromStdString(group)));
    accept();
}

void LearnSheet::dragEnterEvent(QDragEnterEvent* event) {
    if (event->mimeData()->urls().size() == 1) event->acceptProposedAction();
}

void LearnSheet::dropEvent(QDropEvent* event) {
    learnFrom(event->mimeData()->urls().front().toLocalFile());
}

} // namespace baryton
