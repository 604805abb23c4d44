#include "app/grade/lut_editor.h"
#include "app/behind.h"
#include "app/package/colour_moves_sheet.h"
#include "app/package/stages_sheet.h"
#include "app/widgets/labels.h"
#include "base/error.h"
#include "lut/fit.h"
#include "lut/invert_lut.h"
#include "lut/lut_picture.h"

#include <QFileDialog>
#include <QHBoxLayout>
#include <QLocale>
#include <algorithm>
#include <cmath>

namespace baryton {

LutEditor::LutEditor(AppState& state, const std::string& stageId, QWidget* parent)
    : StageEditor(state, stageId, parent), name_(new StillText(4)), health_(new LutHealthView(9)),
      asStages_(makeButton(tr("Turn into stages…"), "")), invert_(makeButton(tr("Invert"), "")),
      moves_(makeButton(tr("See it…"), "flat")) {
    pool_.setMaxThreadCount(1);
    QVBoxLayout* layout = startLayout();
    layout->addSpacing(4);
    layout->addWidget(name_);
    auto* load = makeButton(tr("Load LUT…"), "");
    load->setToolTip(QString::fromStdString(type().parameter("file")->tooltip));
    connect(load, &QPushButton::clicked, this, &LutEditor::load);
    asStages_->setToolTip(tr("Seeks stages that do what it does, and that you can change"));
    connect(asStages_, &QPushButton::clicked, this, &LutEditor::turnIntoStages);
    auto* buttons = new QHBoxLayout;
    buttons->addWidget(load);
    buttons->addWidget(asStages_);
    invert_->setToolTip(tr("Puts in its place the table that takes back what it does, and says how near a colour "
                           "comes back"));
    connect(invert_, &QPushButton::clicked, this, &LutEditor::invert);
    buttons->addWidget(invert_);
    buttons->addStretch(1);
    layout->addLayout(buttons);
    for (const char* choice : {"reads", "writes", "interpolation", "outside"}) addChoice(layout, choice);
    layout->addSpacing(8);
    moves_->setToolTip(tr("All colours before and after: in a cube that turns, and as a slice of one lightness"));
    moves_->setFixedHeight(24); // its row is no higher for it
    connect(moves_, &QPushButton::clicked, this, &LutEditor::showMoves);
    auto* head = new QHBoxLayout;
    head->addWidget(makeLabel(tr("WHAT IT DOES"), "section"), 1);
    head->addWidget(moves_);
    layout->addLayout(head);
    layout->addWidget(health_);
    connect(health_, &LutHealthView::readAsWanted, this, [this](const std::string& space) {
        set({{"reads", space}}, true);
    });
    addLimits(layout);
    layout->addStretch(1);
    LutEditor::refresh();
}

LutEditor::~LutEditor() {
    if (task_) task_->cancel();
    waitFor(pool_);
}

void LutEditor::refresh() {
    refreshRows();
    const Stage now = stage();
    const LutContent lut = ParameterReader(type(), now).lut("file");
    asStages_->setEnabled(lut.table != nullptr);
    invert_->setEnabled(lut.table != nullptr);
    moves_->setEnabled(lut.table != nullptr);
    if (!lut.table) {
        name_->setText(lut.name.empty() ? tr("No LUT is loaded: the picture passes through.")
                                        : tr("“%1” did not come along with the grade: the picture passes "
                                             "through. Load the file again.")
                                              .arg(QString::fromStdString(lut.name)));
    } else {
        QString text = QString::fromStdString(lut.name);
        if (lut.table->gridSize() > 0) text += tr("\n3D, %1 points along each edge").arg(lut.table->gridSize());
        if (lut.table->shaperSize() > 0) text += tr("\n1D, %1 entries").arg(lut.table->shaperSize());
        name_->setText(text);
    }
    health_->setLut(lut.table, use());
}

LutUse LutEditor::use() const {
    const Stage now = stage();
    const ParameterReader read(type(), now);
    LutUse use;
    use.reads = static_cast<Encoding>(read.choiceIndex("reads"));
    use.writes = static_cast<Encoding>(read.choiceIndex("writes"));
    use.interpolation = static_cast<Interpolation>(read.choiceIndex("interpolation"));
    use.outside = static_cast<OutsideDomain>(read.choiceIndex("outside"));
    return use;
}

void LutEditor::turnIntoStages() {
    const Stage now = stage();
    const std::string file = ParameterReader(type(), now).lut("file").name;
    StagesSheet::About about{now, QString::fromStdString(std::filesystem::path(file).stem().string())};
    about.lut.enabled.reset(); // what it does when it is on
    about.replaces = now.id;
    (new StagesSheet(state_, std::move(about), window()))->open();
}

void LutEditor::showMoves() {
    Stage alone = stage();
    alone.enabled.reset(), alone.strength.reset();
    const std::string file = ParameterReader(type(), alone).lut("file").name;
    Grade look;
    look.look.emplace_back();
    look.look.back().stages.push_back(std::move(alone));
    (new ColourMovesSheet(QString::fromStdString(file), std::move(look), window()))->open();
}

template <class Make>
void LutEditor::takeFrom(const QString& meanwhile, Make make) {
    if (task_) task_->cancel();
    task_ = std::make_shared<Task>();
    state_.tell(meanwhile);
    const std::filesystem::path picture = state_.pictures().at(state_.key()).file; // that the hand meant
    runBehind(pool_, [this, task = task_, make, picture] {
        try {
            auto [changes, remarks] = make(task.get());
            tellWindow(this, [this, task, picture, changes = std::move(changes), remarks = std::move(remarks)] {
                if (task->isCancelled()) return; // another one meanwhile
                if (!state_.hasKey() || state_.pictures().at(state_.key()).file != picture)
                    return state_.tell(tr("Another picture was chosen meanwhile: its LUT stays as it is"), true);
                set(changes, true);
                state_.tell(remarks.join(QStringLiteral("; ")));
            });
        } catch (const Cancelled&) {
            return;
        } catch (const std::exception& e) {
            tellWindow(this, [this, task, problem = QString::fromStdString(e.what())] {
                if (!task->isCancelled()) state_.tell(problem, true);
            });
        }
    });
}

void LutEditor::load() {
    auto* dialog =
        new QFileDialog(window(), tr("Load LUT"), {},
                        tr("LUT files (*.cube *.3dl *.clf);;LUTs that are pictures (*.png *.tif *.tiff *.jpg "
                           "*.jpeg);;All files (*)"));
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setFileMode(QFileDialog::ExistingFile);
    connect(dialog, &QFileDialog::fileSelected, this, &LutEditor::read);
    dialog->open();
}

void LutEditor::read(const QString& file) {
    const std::filesystem::path path = file.toStdString();
    const QString name = QString::fromStdString(path.filename().string());
    takeFrom(tr("Reading %1…").arg(name), [path, name](const Task* task) {
        ParsedLut lut = readAnyLut(path, task);
        const std::map<std::string, Value> changes = {
            {"file", LutContent{name.toStdString(), std::make_shared<const LutTable>(std::move(lut.table))}}};
        QStringList remarks{tr("%1 is loaded").arg(name)};
        for (const auto& remark : lut.remarks) remarks.append(QString::fromStdString(remark));
        return std::pair{changes, remarks};
    });
}

void LutEditor::invert() {
    const Stage now = stage();
    const ParameterReader values(type(), now);
    const LutContent lut = values.lut("file");
    if (!lut.table) return;
    const QString name = QString::fromStdString(lut.name);
    takeFrom(tr("%1 is being inverted…").arg(name),
             [lut, name, reads = values.choice("reads"), writes = values.choice("writes")](const Task* task) {
                 constexpr int usual = 33;
                 const InvertedLut inverted =
                     invertedLut(*lut.table, std::clamp(lut.table->gridSize(), usual, kFinestFit), task);
                 const QString taken = tr("%1, taken back").arg(name);
                 const std::map<std::string, Value> changes = {
                     {"file", LutContent{taken.toStdString(), std::make_shared<const LutTable>(inverted.table)}},
                     {"reads", writes},
                     {"writes", reads}};
                 const QLocale locale;
                 QStringList remarks{tr("Inverted: 99 of 100 colours come back within ΔE %1")
                                         .arg(locale.toString(inverted.thereAndBack.percentile99, 'f', 2))};
                 constexpr double much = 0.05;
                 if (inverted.unreached > much)
                     remarks.append(tr("%1 % of all colours it makes of none: they go to what is nearest")
                                        .arg(std::lround(100 * inverted.unreached)));
                 return std::pair{changes, remarks};
             });
}

} // namespace baryton
