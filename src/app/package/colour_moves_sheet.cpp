#include "app/package/colour_moves_sheet.h"
#include "app/behind.h"
#include "app/widgets/labels.h"

#include <QHBoxLayout>
#include <QLocale>
#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

constexpr int kPerEdge = 9, kGreys = 65, kAcross = 33;

QString numbersOf(const std::array<float, 3>& rgb) {
    QStringList all;
    for (const float v : rgb) all.append(QString::number(std::lround(255 * v)));
    return all.join(u' ');
}

} // namespace

ColourMovesSheet::ColourMovesSheet(const QString& name, Grade look, QWidget* parent)
    : Sheet(tr("Where %1 takes colours").arg(name), QStringLiteral("guide/package#") + tr("A LUT of unknown making"),
            parent),
      look_(std::move(look)), views_(new Segments({tr("All colours"), tr("One lightness")})),
      stack_(new QStackedWidget), cube_(new CubeView), slice_(new SliceView),
      share_(new ValueRow(tr("Before → after"))), lightness_(new ValueRow(tr("Lightness"))), said_(new StillText(2)) {
    resize(620, 660);
    pool_.setMaxThreadCount(1);
    views_->setAccessibleName(tr("View"));
    views_->setCurrent(0);
    rows()->addWidget(views_, 0, Qt::AlignLeft);
    cube_->setAccessibleName(tr("All colours"));
    cube_->setToolTip(
        tr("Drag to turn; a double press turns it back. Black is below, white above; the line is the greys. "
           "A ring: clipped here, and was not before"));
    slice_->setAccessibleName(tr("One lightness"));
    slice_->setToolTip(
        tr("Greys in the middle, colourful ones outside: red right, yellow above, green left, blue below. "
           "A ring: clipped here, and was not before"));
    stack_->addWidget(cube_);
    stack_->addWidget(slice_);
    rows()->addWidget(stack_, 1);
    share_->setRange(0, 100, 1, 100);
    share_->setValue(100);
    lightness_->setRange(10, 95, 1, 60);
    lightness_->setValue(60);
    const int wide = std::max(share_->nameWidth(), lightness_->nameWidth());
    for (ValueRow* row : {share_, lightness_}) {
        row->setLabelWidth(wide);
        rows()->addWidget(row);
    }
    // It belongs to the slice, and keeps its place.
    lightness_->setEnabled(false);
    rows()->addWidget(said_);
    addCloseFoot("primary");
    connect(views_, &Segments::chosen, this, [this](int view) {
        stack_->setCurrentIndex(view);
        lightness_->setEnabled(view == 1);
    });
    connect(share_, &ValueRow::edited, this,
            [this](double percent) { cube_->setShare(percent / 100), slice_->setShare(percent / 100); });
    connect(lightness_, &ValueRow::edited, this, &ColourMovesSheet::workOutSlice);
    said_->setText(tr("Being worked out…"));
    workOut();
    workOutSlice();
}

ColourMovesSheet::~ColourMovesSheet() {
    if (sliceTask_) sliceTask_->cancel();
    waitFor(pool_);
}

void ColourMovesSheet::workOut() {
    runBehind(pool_, [this, look = look_] {
        std::vector<std::array<float, 3>> ramp;
        for (int i = 0; i < kGreys; ++i) {
            const float v = float(i) / float(kGreys - 1);
            ramp.push_back({v, v, v});
        }
        tellWindow(this, [this, moves = colourMoves(look, cubeColours(kPerEdge)), greys = colourMoves(look, ramp)] {
            double sum = 0;
            for (const ColourMove& move : moves) sum += move.apart;
            const auto farthest = std::max_element(moves.begin(), moves.end(),
                                                   [](const auto& a, const auto& b) { return a.apart < b.apart; });
            const QLocale locale;
            said_->setText(tr("Colours move by ΔE %1 on average, the farthest by %2: from %3 to %4 (red, green, blue "
                              "in 8 bits).")
                               .arg(locale.toString(sum / double(moves.size()), 'f', 1),
                                    locale.toString(farthest->apart, 'f', 1), numbersOf(farthest->before),
                                    numbersOf(farthest->after)));
            cube_->setMoves(moves, greys);
        });
    });
}

void ColourMovesSheet::workOutSlice() {
    if (sliceTask_) sliceTask_->cancel();
    sliceTask_ = std::make_shared<Task>();
    runBehind(pool_, [this, look = look_, task = sliceTask_, lightness = lightness_->value() / 100] {
        if (task->isCancelled()) return;
        tellWindow(this, [this, task, moves = colourMoves(look, sliceColours(lightness, kAcross))] {
            if (!task->isCancelled()) slice_->setMoves(moves);
        });
    });
}

} // namespace baryton
