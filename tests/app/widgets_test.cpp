#include "app/keys.h"
#include "app/theme/theme.h"
#include "app/widgets/arithmetic.h"
#include "app/widgets/colour_disc.h"
#include "app/widgets/curve_view.h"
#include "app/widgets/picture_view.h"
#include "app/widgets/segments.h"
#include "app/widgets/tone_axis.h"
#include "app/widgets/value_row.h"

#include <QFile>
#include <QKeySequence>
#include <QSignalSpy>
#include <QTest>
#include <QToolTip>
#include <cmath>
#include <gtest/gtest.h>

namespace baryton::test {

namespace {

void send(QWidget& widget, QEvent::Type type, QPointF at, Qt::KeyboardModifiers modifiers = Qt::NoModifier) {
    QMouseEvent event(type, at, widget.mapToGlobal(at), Qt::LeftButton,
                      type == QEvent::MouseButtonRelease ? Qt::NoButton : Qt::LeftButton, modifiers);
    QApplication::sendEvent(&widget, &event);
}

void drag(QWidget& widget, QPointF from, QPointF to, Qt::KeyboardModifiers modifiers = Qt::NoModifier) {
    send(widget, QEvent::MouseButtonPress, from, modifiers);
    for (int i = 1; i <= 10; ++i) send(widget, QEvent::MouseMove, from + (to - from) * i / 10, modifiers);
    send(widget, QEvent::MouseButtonRelease, to, modifiers);
}

CurveView::Shape brokenLine(const CurveView::Points& points) {
    return [points](double x) {
        for (int i = 1; i < points.size(); ++i)
            if (x <= points[i].x() || i + 1 == points.size()) {
                const double t = (x - points[i - 1].x()) / (points[i].x() - points[i - 1].x());
                return points[i - 1].y() + t * (points[i].y() - points[i - 1].y());
            }
        return x;
    };
}

} // namespace

TEST(Arithmetic, TakesSumsUnitsAndRefusesTheRest) {
    EXPECT_EQ(evaluateArithmetic(QStringLiteral("12+3*4")), 24);
    EXPECT_EQ(evaluateArithmetic(QStringLiteral(" -(2 - 5) / 2 ")), 1.5);
    EXPECT_EQ(evaluateArithmetic(QStringLiteral("−0,5")), -0.5);
    EXPECT_EQ(evaluateArithmetic(QStringLiteral("5200 K")), 5200);
    EXPECT_EQ(evaluateArithmetic(QStringLiteral("2400 px")), 2400);
    for (const char* wrong : {"", "abc", "1+", "(1", "1)", "1/0", "1 2", "1e5x", "--", "1..2"})
        EXPECT_FALSE(evaluateArithmetic(QString::fromLatin1(wrong)).has_value()) << wrong;
    EXPECT_FALSE(evaluateArithmetic(QString(100000, u'(')).has_value()) << "depth is held";
}

TEST(NumberField, TypesNudgesAndTakesBack) {
    NumberField field;
    field.setRange(-100, 100, 1);
    field.show();
    QSignalSpy spy(&field, &NumberField::edited);
    field.setFocus();
    QTest::keyClicks(&field, QStringLiteral("10+5"));
    QTest::keyClick(&field, Qt::Key_Return);
    EXPECT_EQ(field.value(), 15);
    EXPECT_EQ(spy.count(), 1);
    EXPECT_TRUE(spy.last()[1].toBool()) << "typing is settled at once";
    QTest::keyClick(&field, Qt::Key_Up, Qt::ShiftModifier);
    EXPECT_EQ(field.value(), 25);
    EXPECT_FALSE(spy.last()[1].toBool());
    QTest::keyClicks(&field, QStringLiteral("words"));
    QTest::keyClick(&field, Qt::Key_Return);
    EXPECT_EQ(field.value(), 25);
    EXPECT_TRUE(field.property("wrong").toBool());
    QTest::keyClick(&field, Qt::Key_Escape);
    EXPECT_FALSE(field.property("wrong").toBool());
    EXPECT_EQ(field.text(), QStringLiteral("25"));
    field.selectAll();
    QTest::keyClicks(&field, QStringLiteral("5000"));
    QTest::keyClick(&field, Qt::Key_Return);
    EXPECT_EQ(field.value(), 25) << "out of range is refused, not held";
    EXPECT_TRUE(field.property("wrong").toBool());
    EXPECT_TRUE(QToolTip::text().contains(QStringLiteral("−100"))) << "the range is said";
    EXPECT_TRUE(QToolTip::text().contains(QStringLiteral("100")));
    QTest::keyClick(&field, Qt::Key_Escape);
    field.setRange(0, 360, 1);
    field.setWraps(true);
    field.setValue(370);
    EXPECT_EQ(field.value(), 10);
    QTest::keyClicks(&field, QStringLiteral("350+30"));
    QTest::keyClick(&field, Qt::Key_Return);
    EXPECT_EQ(field.value(), 20) << "an angle may go past the end";
    QTest::keyClicks(&field, QStringLiteral("2109"));
    QTest::keyClick(&field, Qt::Key_Return);
    EXPECT_EQ(field.value(), 20) << "but not round and round";
    EXPECT_TRUE(field.property("wrong").toBool());
}

TEST(NumberField, AClickChoosesAllASecondOnePlacesTheCaret) {
    QWidget window;
    auto* layout = new QVBoxLayout(&window);
    auto *field = new NumberField, *other = new NumberField;
    field->setRange(-180, 180, 1);
    field->setValue(30);
    layout->addWidget(field);
    layout->addWidget(other);
    window.show();
    ASSERT_TRUE(QTest::qWaitForWindowExposed(&window));
    QApplication::setActiveWindow(&window);
    other->setFocus();
    const QPointF at(field->width() / 2.0, field->height() / 2.0);
    QTest::mousePress(field, Qt::LeftButton, {}, at.toPoint());
    // A hand is not quite still.
    send(*field, QEvent::MouseMove, at + QPointF(2, 1));
    QTest::mouseRelease(field, Qt::LeftButton, {}, at.toPoint());
    EXPECT_EQ(field->selectedText(), field->text());
    QTest::keyClicks(field, QStringLiteral("16"));
    QTest::keyClick(field, Qt::Key_Return);
    EXPECT_EQ(field->value(), 16);
    QTest::mouseClick(field, Qt::LeftButton, {}, QPoint(2, 10));
    EXPECT_FALSE(field->hasSelectedText()) << "the second click";
    // Left with a number that can't be, the one that holds is there again, and it is said why.
    field->selectAll();
    QTest::keyClicks(field, QStringLiteral("3160"));
    other->setFocus();
    EXPECT_EQ(field->value(), 16);
    EXPECT_EQ(field->text(), QStringLiteral("16"));
    EXPECT_TRUE(QToolTip::text().contains(QStringLiteral("3160")));
    EXPECT_TRUE(QToolTip::text().contains(QStringLiteral("−180")));
}

TEST(ValueRow, RulerAndFieldAgreeAndDoubleClickResets) {
    ValueRow row(QStringLiteral("Amount"));
    row.setRange(-100, 100, 1, 20);
    row.setValue(20);
    row.resize(300, 26);
    row.show();
    QSignalSpy spy(&row, &ValueRow::edited);
    Ruler* ruler = row.ruler();
    drag(*ruler, {10, 11}, {ruler->width() - 4.0, 11});
    EXPECT_EQ(row.value(), 100);
    EXPECT_EQ(row.field()->value(), 100);
    EXPECT_TRUE(row.field()->property("changed").toBool());
    EXPECT_TRUE(spy.last()[1].toBool()) << "letting go settles";
    EXPECT_FALSE(spy.first()[1].toBool());
    send(*ruler, QEvent::MouseButtonDblClick, {20, 11});
    EXPECT_EQ(row.value(), 20);
    EXPECT_FALSE(row.field()->property("changed").toBool());
    const double before = row.value(), middle = 4 + 0.6 * (ruler->width() - 8);
    drag(*ruler, {middle, 11}, {middle + 30, 11}, Qt::ShiftModifier);
    EXPECT_GT(row.value(), before);
    EXPECT_LT(row.value() - before, 6) << "Shift drags finely";
    QTest::keyClick(ruler, Qt::Key_Home);
    EXPECT_EQ(row.value(), 20);
    EXPECT_EQ(ruler->accessibleName(), QStringLiteral("Amount"));
}

TEST(Segments, OneIsChosenByClickAndKey) {
    Segments segments({QStringLiteral("a"), QStringLiteral("b"), QStringLiteral("c")});
    segments.show();
    QSignalSpy spy(&segments, &Segments::chosen);
    QTest::mouseClick(segments.button(2), Qt::LeftButton);
    EXPECT_EQ(segments.current(), 2);
    EXPECT_FALSE(segments.button(0)->isChecked());
    QTest::keyClick(&segments, Qt::Key_Left);
    EXPECT_EQ(segments.current(), 1);
    EXPECT_EQ(spy.count(), 2);
}

TEST(CurveView, PointsAreMadeMovedAndRemoved) {
    CurveView view;
    view.setShapeMaker(brokenLine);
    view.resize(300, 300);
    view.show();
    QSignalSpy spy(&view, &CurveView::edited);
    drag(view, view.toWidget({0.5, 0.5}), view.toWidget({0.5, 0.7}));
    ASSERT_EQ(view.points().size(), 3);
    EXPECT_NEAR(view.points()[1].y(), 0.7, 0.01);
    EXPECT_TRUE(spy.last()[1].toBool());
    drag(view, view.toWidget({0.5, 0.7}), view.toWidget({2, 0.9}));
    EXPECT_LT(view.points()[1].x(), 1) << "a point never passes its neighbour";
    EXPECT_EQ(view.points().size(), 3);
    QTest::keyClick(&view, Qt::Key_Down);
    QTest::keyClick(&view, Qt::Key_Down, Qt::ShiftModifier);
    EXPECT_NEAR(view.points()[1].y(), 0.9 - 11 / 255.0, 0.01);
    send(view, QEvent::MouseButtonDblClick, view.toWidget(view.points()[1]));
    EXPECT_EQ(view.points().size(), 2);
    drag(view, view.toWidget({0, 0}), view.toWidget({0, 0.2}));
    EXPECT_NEAR(view.points()[0].y(), 0.2, 0.01) << "the black end lifts";
    QTest::keyClick(&view, Qt::Key_Delete);
    EXPECT_EQ(view.points()[0], QPointF(0, 0)) << "an end goes back to its corner";
    QTest::keyClick(&view, Qt::Key_PageUp);
    EXPECT_EQ(view.selected(), 1);
    view.takePointAt(0.25);
    EXPECT_EQ(view.points().size(), 3);
    EXPECT_EQ(view.selected(), 1);
}

TEST(ColourDisc, PullsAreRelativeAndADoubleClickGoesThere) {
    ColourDisc disc([](double) { return QColor(Qt::red); }, 0.25);
    disc.resize(240, 240);
    disc.setHandles(
        {{QStringLiteral("Shadows"), Qt::black, false, {}}, {QStringLiteral("Whole"), Qt::gray, true, {}}});
    disc.show();
    QSignalSpy spy(&disc, &ColourDisc::edited);
    const auto amount = [&](int i) { return ColourDisc::amountOf(disc.handles()[i].at); };
    // A press far from the handle moves nothing.
    const QPointF far = disc.discPoint(200, 0.8);
    send(disc, QEvent::MouseButtonPress, far);
    send(disc, QEvent::MouseButtonRelease, far);
    EXPECT_EQ(amount(0), 0);
    // Pulls begun anywhere add up by what the hand moves.
    const QPointF by = disc.discPoint(90, 0.2) - disc.discPoint(0, 0);
    drag(disc, far, far + by);
    EXPECT_NEAR(amount(0), 0.2, 1e-6);
    EXPECT_NEAR(ColourDisc::angleOf(disc.handles()[0].at), 90, 0.1);
    EXPECT_TRUE(spy.last()[2].toBool()) << "letting go settles";
    drag(disc, far, far + by);
    EXPECT_NEAR(amount(0), 0.4, 1e-6) << "two pulls, not one jump to the end";
    drag(disc, far, far + by, Qt::ShiftModifier);
    EXPECT_NEAR(amount(0), 0.42, 1e-6);
    // A press on the other handle takes that one; past the rim it stays on the rim.
    drag(disc, disc.handlePoint(1), disc.discPoint(0, 3));
    EXPECT_EQ(disc.chosen(), 1);
    EXPECT_NEAR(amount(1), 1, 1e-9);
    EXPECT_NEAR(amount(0), 0.42, 1e-6);
    // A double click goes there; in the middle nothing is pulled.
    send(disc, QEvent::MouseButtonDblClick, disc.discPoint(120, 0.5));
    EXPECT_NEAR(amount(1), 0.5, 0.01);
    EXPECT_NEAR(ColourDisc::angleOf(disc.handles()[1].at), 120, 1);
    send(disc, QEvent::MouseButtonDblClick, disc.discPoint(0, 0) + QPointF(3, 2));
    EXPECT_EQ(amount(1), 0);
    QTest::keyClick(&disc, Qt::Key_Comma);
    QTest::keyClick(&disc, Qt::Key_Home);
    EXPECT_EQ(amount(0), 0);
}

TEST(ToneAxis, LevelsAndMarksArePulledFromAnywhere) {
    ToneAxis axis({QStringLiteral("a"), QStringLiteral("b"), QStringLiteral("c"), QStringLiteral("d")});
    axis.resize(306, axis.height());
    axis.setWeights([](double) { return std::array<double, 3>{1, 0, 0}; });
    axis.show();
    QSignalSpy levels(&axis, &ToneAxis::levelEdited), marks(&axis, &ToneAxis::markEdited);
    const QPointF beside = axis.knob(2) + QPointF(18, 20);
    drag(axis, beside, beside - QPointF(0, 8));
    ASSERT_GT(levels.count(), 0);
    EXPECT_EQ(axis.chosen(), 2);
    EXPECT_EQ(levels.last()[0].toInt(), 2);
    EXPECT_GT(levels.last()[1].toDouble(), 0.1);
    EXPECT_LT(levels.last()[1].toDouble(), 0.6) << "by what the hand moved, not where it was";
    const int before = levels.count();
    QTest::mouseClick(&axis, Qt::LeftButton, {}, axis.name(1).toPoint());
    EXPECT_EQ(axis.chosen(), 1);
    EXPECT_EQ(levels.count(), before) << "a name chooses, no more";
    drag(axis, axis.mark(0), axis.mark(0) + QPointF(25, 0));
    ASSERT_GT(marks.count(), 0);
    EXPECT_NEAR(marks.last()[1].toDouble(), 0.43, 0.03);
    QSignalSpy resets(&axis, &ToneAxis::levelResetWanted);
    send(axis, QEvent::MouseButtonDblClick, axis.knob(2));
    EXPECT_EQ(resets.last()[0].toInt(), 2);
}

TEST(PictureView, ZoomsAboutThePointerAndNeverLeavesThePicture) {
    PictureView view;
    view.resize(800, 600);
    view.show();
    view.setPictureSize({1800, 1200});
    EXPECT_TRUE(view.isFitted());
    const PictureView::Region whole = view.region();
    EXPECT_EQ(whole.left, 0);
    EXPECT_NEAR(double(whole.width) / whole.height, 1.5, 0.01);
    const QPointF at(250, 200);
    for (int i = 0; i < 12; ++i) {
        const QPointF fixed = view.toPicture(at);
        QWheelEvent wheel(at, view.mapToGlobal(at), {}, {0, 120}, Qt::NoButton, Qt::NoModifier, Qt::NoScrollPhase,
                          false);
        QApplication::sendEvent(&view, &wheel);
        const PictureView::Region r = view.region();
        EXPECT_GE(r.left, 0);
        EXPECT_LE(r.left + r.width / r.scale, 1800 + 1);
        if (i > 4) EXPECT_LT(QLineF(view.toPicture(at), fixed).length() * view.scale(), 1.5) << i;
    }
    EXPECT_EQ(view.scale(), std::min(16.0, view.scale()));
    view.zoomTo(1);
    EXPECT_EQ(view.region().left, std::floor(view.region().left)) << "whole pixels at 100 %";
    EXPECT_EQ(view.region().width, 800);
    send(view, QEvent::MouseButtonPress, {400, 300});
    send(view, QEvent::MouseMove, {5000, 5000});
    send(view, QEvent::MouseButtonRelease, {5000, 5000});
    EXPECT_EQ(view.region().left, 0);
    EXPECT_EQ(view.region().top, 0);
    send(view, QEvent::MouseButtonDblClick, {400, 300});
    EXPECT_TRUE(view.isFitted());
    EXPECT_NEAR(QLineF(view.fromPicture(view.toPicture({123, 321})), QPointF(123, 321)).length(), 0, 1e-9);
}

TEST(PictureView, TheWipesLineIsDragged) {
    PictureView view;
    view.resize(600, 400);
    view.show();
    view.setPictureSize({600, 400});
    QImage after(view.region().width, view.region().height, QImage::Format_RGB32), before = after;
    after.fill(Qt::white);
    before.fill(Qt::black);
    view.setImages(after, before, view.region());
    view.setCompare(PictureView::Compare::Wipe);
    drag(view, {300, 200}, {450, 200});
    EXPECT_NEAR(view.wipePosition(), 0.75, 0.02);
    const QImage seen = view.grab().toImage();
    EXPECT_EQ(seen.pixelColor(200, 300), QColor(Qt::black));
    EXPECT_EQ(seen.pixelColor(520, 300), QColor(Qt::white));
    view.setCompare(PictureView::Compare::Before);
    EXPECT_EQ(view.grab().toImage().pixelColor(520, 300), QColor(Qt::black));
}

TEST(Keys, AreOneTableWithoutDoublesAndAsDocumented) {
    QFile file(QStringLiteral(BARYTON_SOURCE "/docs/keys.md"));
    ASSERT_TRUE(file.open(QIODevice::ReadOnly));
    const QString docs = QString::fromUtf8(file.readAll());
    QSet<QString> taken;
    for (const KeyCommand& command : keyCommands()) {
        const QString key = QString::fromLatin1(command.key);
        if (key.isEmpty()) continue;
        EXPECT_FALSE(taken.contains(key)) << command.key;
        taken.insert(key);
        EXPECT_FALSE(QKeySequence(key).isEmpty()) << command.key;
        const QString row = QStringLiteral("| %1 | %2 | %3 |")
                                .arg(QString::fromUtf8(command.menu), QString::fromUtf8(command.text), key);
        EXPECT_TRUE(docs.contains(row)) << qPrintable(row);
    }
}

TEST(Theme, GreysAreNeutralAndTextCanBeReadInBothThemes) {
    const auto luminance = [](const QColor& colour) {
        const auto channel = [](double v) { return v <= 0.04045 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4); };
        return 0.2126 * channel(colour.redF()) + 0.7152 * channel(colour.greenF()) + 0.0722 * channel(colour.blueF());
    };
    const auto contrast = [&](const QColor& a, const QColor& b) {
        const double l = luminance(a), m = luminance(b);
        return (std::max(l, m) + 0.05) / (std::min(l, m) + 0.05);
    };
    for (const theme::Kind kind : {theme::Kind::Light, theme::Kind::Dark}) {
        theme::install(*qApp, kind);
        const auto& c = theme::colours();
        for (const QColor& grey :
             {theme::surround(), c.list, c.panel, c.raised, c.well, c.edge, c.button, c.pressed, c.text, c.second}) {
            EXPECT_EQ(grey.red(), grey.green());
            EXPECT_EQ(grey.green(), grey.blue());
        }
        for (const QColor& ground : {c.panel, c.raised, c.well, c.list})
            for (const QColor& text : {c.text, c.second, c.accent, c.error})
                EXPECT_GE(contrast(text, ground), 4.5)
                    << text.name().toStdString() << " on " << ground.name().toStdString();
    }
}

} // namespace baryton::test
