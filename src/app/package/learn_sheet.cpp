#include "app/package/learn_sheet.h"
#include "app/behind.h"
#include "app/package/stages_sheet.h"
#include "app/render_image.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "base/error.h"
#include "lut/bake.h"
#include "package/library.h"
#include "picture/picture_file.h"

#include <QDragEnterEvent>
#include <QFileInfo>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QMimeData>
#include <QPainter>
#include <QScrollArea>
#include <numeric>

namespace baryton {

namespace {

constexpr QSize kLearntPicture{288, 192};
constexpr int kLearntSize = 33;
enum Way { Pattern, Pair };
enum Shown { AsItIs, Seen, LeftOut };

QString remarkLines(const std::vector<std::string>& remarks) {
    QString lines;
    for (const auto& remark : remarks) lines += QStringLiteral("\n· ") + QString::fromStdString(remark);
    return lines;
}

/// What of a picture is as it is, and dark where its colours were not seen.
QImage onlySeen(QImage image, const Picture& colours, const std::vector<float>& confidence, int size) {
    const std::vector<float> sure = confidenceOn(colours, confidence, size);
    image = image.convertToFormat(QImage::Format_RGB32).scaled(colours.width(), colours.height());
    for (int y = 0; y < image.height(); ++y) {
        auto* line = reinterpret_cast<QRgb*>(image.scanLine(y));
        for (int x = 0; x < image.width(); ++x) {
            const float much = sure[static_cast<std::size_t>(y) * static_cast<std::size_t>(colours.width()) +
                                    static_cast<std::size_t>(x)];
            const int ground = (x / 4 + y / 4) % 2 ? 0x20 : 0x30; // of no picture
            const auto mixed = [&](int v) {
                return static_cast<int>(static_cast<float>(v - ground) * much) + ground;
            };
            line[x] = qRgb(mixed(qRed(line[x])), mixed(qGreen(line[x])), mixed(qBlue(line[x])));
        }
    }
    return image;
}

QImage withoutLeftOut(QImage image, const PairAccount& account) {
    image = image.convertToFormat(QImage::Format_RGB32);
    QPainter p(&image);
    QColor veil = theme::colours().accent;
    veil.setAlpha(150);
    const double w = double(image.width()) / account.columns, h = double(image.height()) / account.rows;
    for (int row = 0; row < account.rows; ++row)
        for (int column = 0; column < account.columns; ++column)
            if (account.blocks[static_cast<std::size_t>(row) * static_cast<std::size_t>(account.columns) +
                               static_cast<std::size_t>(column)])
                p.fillRect(QRectF(column * w, row * h, w, h), veil);
    return image;
}

} // namespace

LearnSheet::LearnSheet(AppState& state, QWidget* parent)
    : Sheet(tr("Learn a LUT"), QStringLiteral("guide/package#") + tr("Learn a LUT"), parent), state_(state),
      way_(new Segments({tr("From a pattern"), tr("From pictures before and after")})),
      look_(new Segments({tr("As it is"), tr("What was seen"), tr("Left out")})), steps_(new QStackedWidget),
      beforeHead_(new QStackedWidget), pattern_(new PatternStep(state)), pair_(new PairStep),
      account_(makeLabel({}, "account")), before_(new ShownPicture(tr("The picture before"), kLearntPicture)),
      after_(new ShownPicture(tr("The picture with the LUT"), kLearntPicture)),
      name_(new KeepRow(state, tr("Learned"))), asStages_(makeButton(tr("Turn into stages…"), "")),
      keep_(makeButton(tr("Keep as a preset"), "primary")) {
    setFixedWidth(2 * kLearntPicture.width() + 44);
    setAcceptDrops(true);
    pool_.setMaxThreadCount(1);
    rows()->setSpacing(10);
    addNote(tr("A grade that another program makes, as a LUT: learned from a picture of every colour that is graded "
               "there with nothing but colours, or from any picture and what it became."));
    way_->setAccessibleName(tr("What it is learned from"));
    way_->setCurrent(Pattern);
    rows()->addWidget(way_, 0, Qt::AlignLeft);
    steps_->addWidget(pattern_);
    steps_->addWidget(pair_);
    rows()->addWidget(steps_);
    account_->setWordWrap(true);
    account_->setAlignment(Qt::AlignTop);
    account_->setTextInteractionFlags(Qt::TextSelectableByMouse);
    auto* scroll = new QScrollArea; // however much there is to tell, nothing below it moves
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setWidgetResizable(true);
    scroll->setFixedHeight(104);
    scroll->setWidget(account_);
    rows()->addWidget(scroll);
    look_->setAccessibleName(tr("What the picture shows"));
    look_->setCurrent(AsItIs);
    look_->button(Seen)->setToolTip(
        tr("Chequered: colours that no picture before showed. What becomes of them is guessed"));
    look_->button(LeftOut)->setToolTip(tr("Where in the picture before something else was done than elsewhere"));
    beforeHead_->addWidget(makeLabel(tr("As it is"), "second"));
    beforeHead_->addWidget(look_);
    beforeHead_->setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
    auto* pictures = new QGridLayout;
    pictures->setHorizontalSpacing(12);
    pictures->setVerticalSpacing(4);
    pictures->addWidget(beforeHead_, 0, 0);
    pictures->addWidget(makeLabel(tr("With the LUT"), "second"), 0, 1);
    pictures->addWidget(before_, 1, 0);
    pictures->addWidget(after_, 1, 1);
    rows()->addLayout(pictures);
    rows()->addWidget(name_);
    addFoot(keep_, asStages_);
    connect(way_, &Segments::chosen, this, &LearnSheet::showWay);
    connect(look_, &Segments::chosen, this, &LearnSheet::drawOverlay);
    connect(pattern_, &PatternStep::cameBack, this, [this](const QString& file) { learnFrom(file); });
    connect(pair_, &PairStep::changed, this, [this] { learnFrom(pair_->pairs()); });
    connect(&drawer_, &TileDrawer::drawn, this, [this](int id, const QImage& image) {
        if (id == 1) return after_->setPicture(image);
        plain_ = image;
        drawOverlay();
    });
    connect(name_, &KeepRow::changed, this, &LearnSheet::check);
    connect(keep_, &QPushButton::clicked, this, &LearnSheet::keep);
    connect(asStages_, &QPushButton::clicked, this, &LearnSheet::turnIntoStages);
    showWay();
    setFixedHeight(rows()->totalHeightForWidth(width())); // nothing in it grows
}

LearnSheet::~LearnSheet() {
    if (task_) task_->cancel();
    waitFor(pool_);
}

void LearnSheet::showWay() {
    steps_->setCurrentIndex(way_->current());
    beforeHead_->setCurrentIndex(way_->current());
    if (task_) task_->cancel();
    learnt_.reset();
    account_->setText(
        way_->current() == Pattern
            ? tr("Saved as PNG or TIFF with 16 bits it teaches most. What else was done to it is told here.")
            : tr("One picture teaches its own colours, and the grade of the others is guessed from them. A crop, "
                 "another "
                 "size, a slight turn, a vignette or a painted light are found and told here."));
    look_->setCurrent(AsItIs);
    drawPictures();
    check();
    if (way_->current() == Pair && !pair_->pairs().empty()) learnFrom(pair_->pairs());
}

void LearnSheet::begin(const QString& name) {
    if (task_) task_->cancel();
    task_ = std::make_shared<Task>();
    learnt_.reset();
    account_->setText(tr("Reading %1…").arg(name));
    name_->offerName(QFileInfo(name).completeBaseName());
    drawPictures();
    check();
}

/// `work` is given the task that was begun and says what it has with `tell(learnt, account, isWhole)`.
template <class Work>
void LearnSheet::runLearning(Work work) {
    runBehind(pool_, [this, task = task_, work = std::move(work)] {
        const auto tell = [&](Learnt learnt, const QString& account, bool isWhole) {
            tellWindow(this, [this, task, learnt = std::move(learnt), account, isWhole] {
                if (!task->isCancelled()) show(learnt, account, isWhole);
            });
        };
        try {
            work(task.get(), tell);
        } catch (const Cancelled&) {
            return;
        } catch (const std::exception& e) {
            tellWindow(this, [this, task, problem = QString::fromUtf8(e.what())] {
                if (!task->isCancelled()) account_->setText(problem);
            });
        }
    });
}

void LearnSheet::learnFrom(const QString& pattern) {
    const QString name = QFileInfo(pattern).fileName();
    begin(name);
    runLearning([pattern, name](const Task* task, const auto& tell) {
        const LearntLut learnt = learnFromPattern(std::filesystem::path(pattern.toStdString()), task);
        QString text = tr("%1: a LUT of %2 points along each edge.").arg(name).arg(learnt.account.size);
        text += learnt.account.remarks.empty() ? u' ' + tr("Nothing else was done to it.")
                                               : remarkLines(learnt.account.remarks);
        tell({learnt.table, {}, {}, {}, {}}, text, true);
    });
}

void LearnSheet::learnFrom(const std::vector<PairStep::Files>& pairs) {
    if (pairs.empty()) return showWay();
    begin(QFileInfo(pairs.back().after).fileName());
    runLearning([pairs](const Task* task, const auto& tell) {
        const auto pairAt = [&](std::size_t i) {
            return PicturePair{readPicture(pairs[i].before.toStdString()).picture,
                               readPicture(pairs[i].after.toStdString()).picture};
        };
        constexpr int enough = 600;
        const QImage small = imageOf(Grade{}, readThumbnail(pairs.front().before.toStdString(), enough));
        const LearntFromPairs learnt =
            learnFromPairs(pairs.size(), pairAt, kLearntSize, task, [&](const LearntFromPairs& first) {
                tell({first.table, first.confidence, first.stages, {}, small},
                     tr("A first answer; the whole takes some seconds more."), false);
            });
        const double seen = std::accumulate(learnt.confidence.begin(), learnt.confidence.end(), 0.0) /
                            double(learnt.confidence.size());
        QString text = tr("Where it was held back, the LUT misses by ΔE %1 in the mean, %2 for 99 of 100; the stages "
                          "alone by %3. It has seen %4 % of all colours.")
                           .arg(learnt.heldBack.mean, 0, 'f', 2)
                           .arg(learnt.heldBack.percentile99, 0, 'f', 2)
                           .arg(learnt.stagesAlone.mean, 0, 'f', 2)
                           .arg(std::max(1, static_cast<int>(std::lround(100 * seen))));
        for (std::size_t i = 0; i < learnt.pairs.size(); ++i) {
            if (learnt.pairs[i].remarks.empty()) continue;
            if (learnt.pairs.size() > 1) text += u'\n' + QFileInfo(pairs[i].after).fileName() + u':';
            text += remarkLines(learnt.pairs[i].remarks);
        }
        tell({learnt.table, learnt.confidence, learnt.stages, learnt.pairs, small}, text, true);
    });
}

void LearnSheet::show(Learnt learnt, const QString& account, bool isWhole) {
    learnt_ = std::move(learnt);
    account_->setText(account);
    drawPictures();
    check();
    if (!isWhole) keep_->setEnabled(false), asStages_->setEnabled(false);
}

void LearnSheet::drawPictures() {
    if (!state_.hasKey()) return;
    const Picture small = state_.pictures().smallOf(state_.key());
    if (small.isEmpty()) return;
    Grade plain; // as the LUT finds it: developed, not graded
    plain.prep = state_.keyGrade().prep;
    Grade with = plain;
    if (learnt_) with.look = lutGrade(learnt_->table, "LUT").look;
    drawer_.draw({{0, plain, small}, {1, with, small}});
}

void LearnSheet::drawOverlay() {
    const int shown = beforeHead_->currentIndex() == Pair ? look_->current() : AsItIs;
    if (shown == Seen && learnt_ && !learnt_->confidence.empty() && !plain_.isNull()) {
        Grade plain;
        plain.prep = state_.keyGrade().prep;
        const Picture colours = Program::compile(plain).graded(state_.pictures().smallOf(state_.key()));
        before_->setPicture(onlySeen(plain_, colours, learnt_->confidence, learnt_->table.gridSize()));
    } else if (shown == LeftOut && learnt_ && !learnt_->accounts.empty()) {
        before_->setPicture(withoutLeftOut(learnt_->before, learnt_->accounts.front()));
    } else if (!plain_.isNull()) {
        before_->setPicture(plain_);
    }
}

void LearnSheet::check() {
    keep_->setEnabled(learnt_ && name_->isComplete());
    asStages_->setEnabled(learnt_.has_value());
    look_->button(Seen)->setEnabled(learnt_ && !learnt_->confidence.empty());
    look_->button(LeftOut)->setEnabled(learnt_ && !learnt_->accounts.empty() &&
                                       learnt_->accounts.front().leftOut > 0);
}

void LearnSheet::keep() {
    name_->keep(lutPreset(learnt_->table, name_->name()));
    accept();
}

void LearnSheet::turnIntoStages() {
    const QString name = QString::fromStdString(name_->name());
    const Grade worn = lutGrade(learnt_->table, name_->name());
    auto* sheet = new StagesSheet(state_, {worn.look[0].stages[0], name, learnt_->stages, {}}, this);
    connect(sheet, &QDialog::accepted, this, &QDialog::accept);
    sheet->open();
}

void LearnSheet::dragEnterEvent(QDragEnterEvent* event) {
    const qsizetype files = event->mimeData()->urls().size();
    if (files == 1 || files == 2) event->acceptProposedAction();
}

void LearnSheet::dropEvent(QDropEvent* event) {
    const QList<QUrl> files = event->mimeData()->urls();
    if (files.size() == 1 && way_->current() == Pattern) return learnFrom(files.front().toLocalFile());
    if (files.size() != 2) return;
    way_->setCurrent(Pair);
    showWay();
    pair_->take({files[0].toLocalFile(), files[1].toLocalFile()});
}

} // namespace baryton
