#pragma once
#include "app/driver.h"
#include "app/grade/stage_commands.h"
#include "stages/stage_type.h"

#include <QLabel>
#include <QTest>
#include <gtest/gtest.h>

namespace baryton::test {

/// Widgets below one that are narrower than their text wants.
inline QStringList cutIn(const QWidget* parent) {
    QStringList cut;
    for (const QWidget* each : parent->findChildren<QWidget*>()) {
        if (!each->isVisibleTo(parent)) continue;
        QString text;
        if (const auto* button = qobject_cast<const QAbstractButton*>(each)) text = button->text();
        if (const auto* label = qobject_cast<const QLabel*>(each); label && !label->wordWrap()) text = label->text();
        if (!text.isEmpty() && each->sizeHint().width() > each->width() + 1) cut.append(text);
    }
    return cut;
}

/// Goes through the three tasks and all editors at 1280 × 800, in whatever language is spoken.
inline void expectNothingCut(Driver& d) {
    GradePage* grade = d.window().gradePage();
    EXPECT_EQ(cutIn(&d.window()), QStringList());
    for (const StageType* type : stageTypes()) {
        if (canAddStage(*type))
            d.addStage(QString::fromStdString(type->name));
        else
            d.chooseStage(type->id);
        QTest::qWait(20);
        EXPECT_EQ(cutIn(grade->editorPanel()), QStringList()) << type->id;
    }
    PackagePage* package = d.window().packagePage();
    d.key("Ctrl+2");
    ASSERT_TRUE(Driver::waitFor([&] { return package->tiles()->model()->rowCount() > 0; }));
    d.chooseRow(package->tiles(), 0);
    QTest::qWait(100);
    EXPECT_EQ(cutIn(package), QStringList());
    for (const QWidget* each : package->findChildren<QWidget*>())
        if (each->isVisible() && qobject_cast<const QAbstractButton*>(each))
            EXPECT_LE(each->mapTo(&d.window(), QPoint(each->width(), 0)).x(), d.window().width())
                << each->accessibleName().toStdString();
    d.key("Ctrl+3");
    BatchPage* batch = d.window().batchPage();
    for (const auto view : {BatchPage::View::Survey, BatchPage::View::Match, BatchPage::View::Files}) {
        batch->showView(view);
        Driver::waitFor([&] { return batch->surveyPage()->survey().isDone() || view == BatchPage::View::Files; });
        QTest::qWait(300);
        EXPECT_EQ(cutIn(&d.window()), QStringList()) << static_cast<int>(view);
    }
}

} // namespace baryton::test
