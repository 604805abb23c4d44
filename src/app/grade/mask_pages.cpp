#include "app/grade/mask_pages.h"
#include "app/grade/miniatures.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"

#include <QSignalBlocker>
#include <cmath>

namespace baryton {

namespace {

QString percentText(double v) {
    return MaskPages::tr("%1 %").arg(v, 0, 'f', 1);
}
QString degreesText(double v) {
    return QStringLiteral("%1°").arg(v, 0, 'f', 1);
}
QString plainText(double v) {
    return QString::number(v, 'f', 1);
}

QLabel* makeNote(const QString& text) {
    auto* note = makeLabel(text, "second");
    note->setWordWrap(true);
    return note;
}

} // namespace

MaskPages::MaskPages(MaskTools& tools, QWidget* parent) : QWidget(parent), tools_(tools) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    addDrawn();
    addBrush();
    addRanges();
    addLink();
    addObject();
    startPage()->addWidget(makeNote(tr(
        "This shape comes from a newer Baryton. It is kept as it is; until it is deleted the layer acts nowhere.")));
    connect(&tools_, &MaskTools::brushChanged, this, &MaskPages::showBrush);
    showBrush();
}

QVBoxLayout* MaskPages::startPage() {
    auto* page = new QWidget;
    auto* rows = new QVBoxLayout(page);
    rows->setContentsMargins(0, 0, 0, 0);
    rows->setSpacing(6);
    static_cast<QVBoxLayout*>(layout())->addWidget(page);
    pages_.push_back(page);
    page->hide();
    return rows;
}

ValueRow* MaskPages::makeRow(QVBoxLayout* layout, const QString& name, const QString& tip, double low, double high,
                             double standard) {
    auto* row = new ValueRow(name);
    row->setToolTip(tip);
    for (QWidget* part : std::initializer_list<QWidget*>{row->ruler(), row->field()}) part->setAccessibleName(name);
    row->setRange(low, high, 0.1, standard);
    row->field()->setFormatter(percentText);
    layout->addWidget(row);
    rows_.push_back(row);
    return row;
}

void MaskPages::alignNames() {
    int widest = 0;
    for (const ValueRow* each : rows_) widest = std::max(widest, each->nameWidth());
    for (ValueRow* each : rows_) each->setLabelWidth(widest);
}

template <class Form>
void MaskPages::addNumber(QVBoxLayout* rows, std::vector<Number<Form>>& list, double Form::*member,
                          const Words& words) {
    const double scale = words.unit == Words::Unit::Degrees ? 1 : 100;
    ValueRow* row = makeRow(rows, words.name, words.tip, words.low, words.high, Form().*member * scale);
    if (words.unit == Words::Unit::Degrees) row->field()->setFormatter(degreesText);
    if (words.unit == Words::Unit::Hundredths) row->field()->setFormatter(plainText);
    list.push_back({member, scale, row});
    connect(row, &ValueRow::edited, this, [this, member, scale, name = words.name](double shown, bool settled) {
        const Change change = [&](MaskShape& shape) {
            if (auto* form = std::get_if<Form>(&shape.form)) form->*member = shown / scale;
        };
        Q_EMIT edited(QStringLiteral("/") + name, change, settled);
    });
}

template <class Form>
void MaskPages::showNumbers(const MaskShape& shape, const std::vector<Number<Form>>& list) {
    if (const auto* form = std::get_if<Form>(&shape.form))
        for (const auto& number : list) number.row->setValue(form->*number.member * number.scale);
}

void MaskPages::addDrawn() {
    const QString across = tr("Of the picture's width, before any frame"), down = tr("Of its height"),
                  along = tr("Of the picture's long side");
    QVBoxLayout* rows = startPage();
    addNumber(rows, ellipse_, &MaskEllipse::x, {tr("Centre across"), across, -50, 150});
    addNumber(rows, ellipse_, &MaskEllipse::y, {tr("Centre down"), down, -50, 150});
    addNumber(rows, ellipse_, &MaskEllipse::radiusX, {tr("Radius across"), along, 0.5, 150});
    addNumber(rows, ellipse_, &MaskEllipse::radiusY, {tr("Radius down"), along, 0.5, 150});
    addNumber(rows, ellipse_, &MaskEllipse::turn, {tr("Turn"), tr("Clockwise"), -90, 90, Words::Unit::Degrees});
    addNumber(rows, ellipse_, &MaskEllipse::feather,
              {tr("Feather"), tr("Over how much of its radius it fades"), 0, 100});
    auto* within = makeButton(tr("Find the object in it"), "flat");
    within->setToolTip(tr("The object that lies within takes the place of the ellipse"));
    connect(within, &QPushButton::clicked, this, &MaskPages::searchInWanted);
    rows->addWidget(within, 0, Qt::AlignLeft);
    rows = startPage();
    addNumber(rows, ramp_, &MaskRamp::fromX, {tr("Whole across"), across, -50, 150});
    addNumber(rows, ramp_, &MaskRamp::fromY, {tr("Whole down"), down, -50, 150});
    addNumber(rows, ramp_, &MaskRamp::toX, {tr("Nothing across"), across, -50, 150});
    addNumber(rows, ramp_, &MaskRamp::toY, {tr("Nothing down"), down, -50, 150});
}

ValueRow* MaskPages::addBrushRow(QVBoxLayout* rows, const QString& name, const QString& tip, double low, double high,
                                 double MaskTools::Brush::*member) {
    ValueRow* row = makeRow(rows, name, tip, low, high, MaskTools::Brush().*member * 100);
    connect(row, &ValueRow::edited, this, [this, member](double percent, bool) {
        MaskTools::Brush next = tools_.brush();
        next.*member = percent / 100;
        tools_.setBrush(next);
    });
    return row;
}

QCheckBox* MaskPages::makeBrushBox(const QString& name, const QString& tip, bool MaskTools::Brush::*member) {
    auto* box = new QCheckBox(name);
    box->setToolTip(tip);
    connect(box, &QCheckBox::clicked, this, [this, member](bool on) {
        MaskTools::Brush next = tools_.brush();
        next.*member = on;
        tools_.setBrush(next);
    });
    return box;
}

void MaskPages::addBrush() {
    QVBoxLayout* rows = startPage();
    rows->addWidget(makeLabel(tr("THE NEXT STROKE"), "section"));
    size_ = addBrushRow(
        rows, tr("Size"),
        tr("Radius of the brush, of the picture's long side. On the picture: the wheel with Alt, or Alt with "
           "Up and Down"),
        0.2, 50, &MaskTools::Brush::size);
    softness_ =
        addBrushRow(rows, tr("Softness"),
                    tr("Over how much of its radius it fades. On the picture: the wheel with Alt and Shift, or Alt "
                       "with Left and Right"),
                    0, 100, &MaskTools::Brush::softness);
    flow_ = addBrushRow(rows, tr("Flow"), tr("How much one stroke lays down; strokes over one another build up"), 1,
                        100, &MaskTools::Brush::flow);
    erases_ = makeBrushBox(tr("Erases"),
                           tr("The next strokes take away what is painted; Ctrl held while painting does the other"),
                           &MaskTools::Brush::erases);
    keeps_ = makeBrushBox(tr("Keeps to its colour"), tr("A stroke stays within the colour that it begins on"),
                          &MaskTools::Brush::keepsToColour);
    auto* boxes = new QHBoxLayout;
    boxes->addWidget(erases_, 1);
    boxes->addWidget(keeps_, 1);
    rows->addLayout(boxes);
    strokes_ = makeNote({});
    rows->addWidget(strokes_);
    addNumber(rows, brush_, &MaskBrush::ceiling,
              {tr("Ceiling"), tr("However often it is painted over, no more than this"), 0, 100});
}

void MaskPages::addRanges() {
    const auto addAnew = [this](QVBoxLayout* rows, const QString& text) {
        rows->addWidget(makeNote(text));
        auto* anew = makeButton(tr("Begin anew"), "flat");
        anew->setToolTip(tr("The next press on the picture sets the range; those after it widen it"));
        connect(anew, &QPushButton::clicked, this, &MaskPages::anewWanted);
        rows->addWidget(anew, 0, Qt::AlignLeft);
    };
    QVBoxLayout* rows = startPage();
    addAnew(rows, tr("Press or sweep on the picture: the tones there come into the range."));
    addNumber(rows, tones_, &MaskTones::low, {tr("Tones from"), tr("The layer acts on tones from here up."), 0, 100});
    addNumber(rows, tones_, &MaskTones::high, {tr("Tones to"), tr("The layer acts on tones up to here."), 0, 100});
    addNumber(rows, tones_, &MaskTones::softness,
              {tr("Softness"), tr("Over how many tones it fades beyond the ends"), 1, 100});
    rows = startPage();
    addAnew(rows, tr("Press or sweep on the picture: the colours there come into the range; with Ctrl they are taken "
                     "out, by a shape of their own."));
    const QString fades = tr("Over how much it fades beyond");
    addNumber(rows, colours_, &MaskColours::hue,
              {tr("Hue"), tr("The middle of its hues"), 0, 360, Words::Unit::Degrees});
    QGradientStops stops;
    for (int i = 0; i <= 36; ++i) stops.append({i / 36.0, perceptualHueColour(i * 10)});
    colours_.back().row->ruler()->setStrip(stops);
    colours_.back().row->field()->setWraps(true);
    addNumber(rows, colours_, &MaskColours::hueWidth,
              {tr("Hue width"), tr("How many degrees of hue; 360 is all of them"), 0, 360, Words::Unit::Degrees});
    addNumber(rows, colours_, &MaskColours::hueSoftness, {tr("Hue softness"), fades, 1, 180, Words::Unit::Degrees});
    addNumber(rows, colours_, &MaskColours::chromaLow,
              {tr("Chroma from"), tr("Greys come in where this is 0"), 0, 50, Words::Unit::Hundredths});
    addNumber(rows, colours_, &MaskColours::chromaHigh,
              {tr("Chroma to"), tr("Of the most colourful that it holds"), 0, 50, Words::Unit::Hundredths});
    addNumber(rows, colours_, &MaskColours::chromaSoftness,
              {tr("Chroma softness"), fades, 1, 50, Words::Unit::Hundredths});
    addNumber(rows, colours_, &MaskColours::lightnessLow, {tr("Lightness from"), tr("Of its darkest"), 0, 100});
    addNumber(rows, colours_, &MaskColours::lightnessHigh, {tr("Lightness to"), tr("Of its lightest"), 0, 100});
    addNumber(rows, colours_, &MaskColours::lightnessSoftness, {tr("Lightness softness"), fades, 1, 100});
}

void MaskPages::addLink() {
    QVBoxLayout* rows = startPage();
    link_ = new QComboBox;
    link_->setAccessibleName(tr("Linked to"));
    link_->setToolTip(tr("The layer whose mask this is: an edit of that one changes both"));
    auto* line = new QHBoxLayout;
    line->addWidget(makeLabel(tr("Linked to"), "second"));
    line->addWidget(link_, 1);
    rows->addLayout(line);
    copied_ = makeNote(tr("A copy of another mask, which goes its own way."));
    rows->addWidget(copied_);
    cut_ = makeButton(tr("Cut the link"), "flat");
    cut_->setToolTip(tr("The mask stays as it is now, and goes its own way from here on"));
    rows->addWidget(cut_, 0, Qt::AlignLeft);
    connect(cut_, &QPushButton::clicked, this, &MaskPages::linkCutWanted);
    connect(link_, &QComboBox::activated, this, [this](int index) {
        if (index < 0 || index >= static_cast<int>(links_.size())) return;
        const std::string id = links_[static_cast<std::size_t>(index)].id;
        const Change change = [&](MaskShape& shape) {
            if (auto* other = std::get_if<MaskOfLayer>(&shape.form)) other->layer = id;
        };
        Q_EMIT edited({}, change, true);
    });
}

void MaskPages::addObject() {
    QVBoxLayout* rows = startPage();
    objectWords_ = new StillText(2);
    rows->addWidget(objectWords_);
    objectSize_ = addBrushRow(rows, tr("Size"),
                              tr("Radius of the strokes over what belongs to it, of the picture's long side: a broad "
                                 "one reaches farther. On the picture: the wheel with Alt, or Alt with Up and Down"),
                              0.2, 50, &MaskTools::Brush::size);
    takesAway_ = makeBrushBox(
        tr("Takes away"), tr("The next strokes say what does not belong; Ctrl held while painting does the other"),
        &MaskTools::Brush::erases);
    auto* foot = new QHBoxLayout;
    auto* anew = makeButton(tr("Draw anew"), "flat");
    anew->setToolTip(tr("The next line on the picture goes round the object; its strokes go"));
    connect(anew, &QPushButton::clicked, this, &MaskPages::anewWanted);
    foot->addWidget(takesAway_, 1);
    foot->addWidget(anew);
    rows->addLayout(foot);
}

void MaskPages::showBrush() {
    const MaskTools::Brush& brush = tools_.brush();
    size_->setValue(brush.size * 100), softness_->setValue(brush.softness * 100), flow_->setValue(brush.flow * 100);
    erases_->setChecked(brush.erases), keeps_->setChecked(brush.keepsToColour);
    objectSize_->setValue(brush.size * 100), takesAway_->setChecked(brush.erases);
}

void MaskPages::setLinks(std::vector<Link> links) {
    if (links == links_) return;
    const QSignalBlocker blocker(link_);
    links_ = std::move(links);
    link_->clear();
    for (const Link& each : links_) link_->addItem(each.name);
}

void MaskPages::show(const MaskShape* shape) {
    for (std::size_t i = 0; i < pages_.size(); ++i) pages_[i]->setVisible(shape && shape->form.index() == i);
    if (!shape) return;
    showNumbers(*shape, ellipse_), showNumbers(*shape, ramp_), showNumbers(*shape, brush_);
    showNumbers(*shape, tones_), showNumbers(*shape, colours_);
    if (const auto* brush = std::get_if<MaskBrush>(&shape->form))
        strokes_->setText(brush->strokes.empty()
                              ? tr("Paint on the picture where the layer is to act.")
                              : tr("%n stroke(s) painted", "", static_cast<int>(brush->strokes.size())));
    if (const auto* other = std::get_if<MaskOfLayer>(&shape->form)) {
        const bool isLink = !other->layer.empty();
        const auto at =
            std::find_if(links_.begin(), links_.end(), [&](const Link& l) { return l.id == other->layer; });
        link_->setCurrentIndex(at == links_.end() ? -1 : static_cast<int>(at - links_.begin()));
        link_->setPlaceholderText(tr("a layer that is gone"));
        link_->setEnabled(isLink), cut_->setEnabled(isLink);
        copied_->setVisible(!isLink);
    }
}

QString MaskPages::formName(const MaskShape& shape) const {
    if (!shape.name.empty()) return QString::fromStdString(shape.name);
    const auto* other = std::get_if<MaskOfLayer>(&shape.form);
    if (other) {
        const auto at =
            std::find_if(links_.begin(), links_.end(), [&](const Link& l) { return l.id == other->layer; });
        return at == links_.end() ? tr("Copy") : tr("As “%1”").arg(at->name);
    }
    const QStringList names = {tr("Ellipse"), tr("Ramp"), tr("Brush"),  tr("Tones"),
                               tr("Colours"), {},         tr("Object"), tr("Unknown")};
    return names[static_cast<int>(shape.form.index())];
}

} // namespace baryton
