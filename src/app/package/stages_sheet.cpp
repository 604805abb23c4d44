#include "app/package/stages_sheet.h"
#include "app/behind.h"
#include "app/grade/miniatures.h"
#include "app/grade/stage_commands.h"
#include "app/widgets/labels.h"
#include "stages/stage_type.h"

#include <QGridLayout>
#include <QHBoxLayout>
#include <QPainter>

namespace baryton {

namespace {

constexpr QSize kFoundPicture{288, 192};
constexpr std::size_t kRoom = 6;
constexpr int kCardWidth = 92, kCardHeight = 90, kNameHeight = 30, kGap = 8;

QString nameOf(const Stage& stage) {
    return QString::fromStdString(stageTitle(stage));
}

} // namespace

StageRow::StageRow(QWidget* parent) : QWidget(parent) {
    setFixedSize(kRoom * kCardWidth + (kRoom - 1) * kGap, kCardHeight);
}

void StageRow::setStages(const std::vector<Stage>& stages, bool withRest) {
    stages_ = stages, hasRest_ = withRest;
    QStringList names;
    for (const Stage& stage : stages_) names.append(nameOf(stage));
    setAccessibleName(names.join(QStringLiteral(", ")));
    update();
}

void StageRow::paintEvent(QPaintEvent*) {
    const auto& c = theme::colours();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    // The string that stages sit on goes through, found or not.
    p.setPen(QPen(c.accentDim, 1));
    p.drawLine(QPointF(0, kCardHeight / 2.0), QPointF(width(), kCardHeight / 2.0));
    QFont font = this->font();
    font.setPixelSize(11);
    p.setFont(font);
    const std::size_t count = std::max(stages_.size(), kRoom);
    const double step = (width() + kGap) / double(count);
    for (std::size_t i = 0; i < stages_.size(); ++i) {
        const QRectF box(double(i) * step + 0.5, 0.5, step - kGap - 1, kCardHeight - 1);
        const bool isRest = hasRest_ && i + 1 == stages_.size();
        p.setPen(QPen(isRest ? c.accentDim : c.edge, 1));
        p.setBrush(c.raised);
        p.drawRoundedRect(box, 4, 4);
        p.setPen(c.text);
        // A long name takes two lines.
        p.drawText(QRectF(box.left() + 7, box.top() + 3, box.width() - 12, kNameHeight),
                   Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, nameOf(stages_[i]));
        paintMiniature(p, box.adjusted(7, kNameHeight + 4, -7, -7), stages_[i]);
    }
}

StagesSheet::StagesSheet(AppState& state, About about, QWidget* parent)
    : Sheet(tr("As stages"), QStringLiteral("guide/package#") + tr("A LUT of unknown making"), parent), state_(state),
      about_(std::move(about)), look_(gradeOf({about_.lut}, "LUT")), row_(new StageRow),
      status_(makeLabel({}, "second")), as_(new ShownPicture(tr("The picture with the LUT"), kFoundPicture)),
      is_(new ShownPicture(tr("The picture with the stages"), kFoundPicture)),
      enough_(makeButton(tr("That is near enough"), "")),
      keepIt_(makeButton(tr("Keep as a preset"), about_.replaces.empty() ? "primary" : "")),
      rest_(new Segments({tr("Left out"), tr("Behind them as a LUT")})), name_(new KeepRow(state, tr("Learned"))) {
    pool_.setMaxThreadCount(1);
    rows()->setSpacing(10);
    addNote(tr("What “%1” does, in stages that you can change.").arg(about_.name));
    auto* line = new QHBoxLayout;
    line->addWidget(status_, 1);
    QSizePolicy stays = enough_->sizePolicy();
    stays.setRetainSizeWhenHidden(true);
    enough_->setSizePolicy(stays);
    enough_->setToolTip(tr("Ends the search with the stages that it has"));
    line->addWidget(enough_);
    rows()->addLayout(line);
    rows()->addWidget(row_, 0, Qt::AlignHCenter);
    auto* pictures = new QGridLayout;
    pictures->setHorizontalSpacing(12);
    pictures->setVerticalSpacing(4);
    pictures->addWidget(makeLabel(tr("With the LUT"), "second"), 0, 0);
    pictures->addWidget(makeLabel(tr("With the stages"), "second"), 0, 1);
    pictures->addWidget(as_, 1, 0);
    pictures->addWidget(is_, 1, 1);
    rows()->addLayout(pictures);
    addFigures();
    name_->offerName(about_.name);
    rows()->addWidget(name_);
    if (about_.replaces.empty()) {
        addFoot(keepIt_);
    } else {
        place_ = makeButton(tr("Put in place of the LUT"), "primary");
        addFoot(place_, keepIt_);
        connect(place_, &QPushButton::clicked, this, &StagesSheet::putInPlace);
    }
    connect(keepIt_, &QPushButton::clicked, this, &StagesSheet::keep);
    connect(enough_, &QPushButton::clicked, this, [this] {
        task_.finishUp();
        enough_->setEnabled(false);
    });
    connect(rest_, &Segments::chosen, this, &StagesSheet::showChoice);
    connect(name_, &KeepRow::changed, this, &StagesSheet::showChoice);
    connect(&drawer_, &TileDrawer::drawn, this,
            [this](int id, const QImage& image) { (id == 0 ? as_ : is_)->setPicture(image); });
    setFixedSize(sizeHint()); // nothing in it grows
    seek();
}

StagesSheet::~StagesSheet() {
    task_.cancel();
    waitFor(pool_);
}

void StagesSheet::addFigures() {
    auto* choice = new QHBoxLayout;
    choice->addWidget(new QLabel(tr("What they leave")));
    choice->addWidget(rest_);
    choice->addStretch(1);
    rest_->setAccessibleName(tr("What they leave"));
    rest_->setCurrent(0);
    rest_->button(1)->setToolTip(tr("A LUT stage behind the others takes up what they leave: nearer, but no hand can "
                                    "change it"));
    rows()->addLayout(choice);
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(14);
    grid->setVerticalSpacing(2);
    grid->addWidget(makeLabel(tr("Over all colours, ΔE"), "second"), 0, 1, 1, 3);
    grid->addWidget(makeLabel(tr("On this picture, ΔE"), "second"), 0, 4, 1, 3);
    const QString heads[] = {tr("mean"), tr("99 of 100"), tr("worst")};
    for (int k = 0; k < 6; ++k) grid->addWidget(makeLabel(heads[k % 3], "second"), 1, k + 1, Qt::AlignRight);
    const QString names[] = {tr("Stages alone"), tr("With the rest")};
    for (int r = 0; r < 2; ++r) {
        grid->addWidget(new QLabel(names[r]), r + 2, 0);
        for (int k = 0; k < 6; ++k) {
            figures_[r][k] = new QLabel(QStringLiteral("–"));
            grid->addWidget(figures_[r][k], r + 2, k + 1, Qt::AlignRight);
        }
    }
    grid->setColumnStretch(0, 1);
    rows()->addLayout(grid);
}

void StagesSheet::seek() {
    showChoice();
    drawPictures();
    status_->setText(tr("Being sought…"));
    Picture small;
    Grade plain;
    if (state_.hasKey()) small = state_.pictures().smallOf(state_.key()), plain.prep = state_.keyGrade().prep;
    runBehind(pool_, [this, small, plain] {
        LookAsStages found;
        QString problem;
        try {
            std::vector<Picture> pictures;
            if (!small.isEmpty()) pictures.push_back(Program::compile(plain).graded(small));
            LookSearch how;
            how.soFar = [this](const FoundLook& look) { tellWindow(this, [this, look] { showSoFar(look); }); };
            found = about_.known.empty() ? lookAsStages(look_, pictures, how, &task_)
                                         : behindStages(about_.known, look_, pictures, &task_);
        } catch (const Cancelled&) {
            return;
        } catch (const std::exception& e) {
            problem = QString::fromUtf8(e.what());
        }
        tellWindow(this, [this, found = std::move(found), problem] {
            enough_->hide();
            if (problem.isEmpty())
                showFound(found);
            else
                status_->setText(problem);
        });
    });
}

void StagesSheet::showSoFar(const FoundLook& look) {
    if (found_) return;
    stages_ = look.stages;
    status_->setText(tr("Being sought: so far ΔE %1 in the mean").arg(look.mean, 0, 'f', 2));
    row_->setStages(stages_, false);
    drawPictures();
}

void StagesSheet::showFound(const LookAsStages& found) {
    found_ = found;
    stages_ = found.stages;
    const QString near = found.rest ? QString() : u' ' + tr("A LUT behind them would come no nearer.");
    status_->setText(stages_.empty() ? tr("It does nothing that a stage would have to do.")
                                     : counted(static_cast<qsizetype>(stages_.size()), tr("stage comes near it."),
                                               tr("stages come near it.")) +
                                           near);
    const auto show = [&](int row, const Fidelity& fidelity) {
        const Difference* parts[] = {&fidelity.cube, &fidelity.pictures};
        for (int k = 0; k < 6; ++k) {
            const Difference& d = *parts[k / 3];
            const double values[] = {d.mean, d.percentile99, d.worst};
            figures_[row][k]->setText(d.samples == 0 ? QStringLiteral("–")
                                                     : locale().toString(values[k % 3], 'f', 2));
        }
    };
    show(0, found.apart);
    if (found.withRest) show(1, *found.withRest);
    showChoice();
    drawPictures();
}

std::vector<Stage> StagesSheet::chosenStages() const {
    if (!found_) return stages_;
    return presetOf(*found_, withRest(), {}, {}).carried.look[0].stages;
}

void StagesSheet::showChoice() {
    const bool hasSome = found_ && !chosenStages().empty();
    row_->setStages(chosenStages(), found_ && found_->rest && withRest());
    keepIt_->setEnabled(hasSome && name_->isComplete());
    if (place_) place_->setEnabled(hasSome);
    rest_->setEnabled(found_ && found_->rest);
    if (found_) drawPictures();
}

void StagesSheet::drawPictures() {
    if (!state_.hasKey()) return;
    const Picture small = state_.pictures().smallOf(state_.key());
    if (small.isEmpty()) return;
    Grade with, without;
    with.prep = without.prep = state_.keyGrade().prep;
    with.look = look_.look;
    without.look = gradeOf(chosenStages(), "stages").look;
    drawer_.draw({{0, with, small}, {1, without, small}});
}

void StagesSheet::keep() {
    name_->keep(presetOf(*found_, withRest(), name_->name(), "“" + about_.name.toStdString() + "”"));
    accept();
}

void StagesSheet::putInPlace() {
    replaceStage(state_, about_.replaces, chosenStages());
    accept();
}

} // namespace baryton
