#pragma once
#include "app/driver.h"

#include <QContextMenuEvent>
#include <QLabel>
#include <QTest>
#include <gtest/gtest.h>

namespace baryton::test {

inline double numberOf(const Grade& grade, const std::string& stageId, const std::string& parameter) {
    const auto place = findStage(grade, stageId);
    if (!place) return std::nan("");
    const Stage& stage = stageAt(grade, *place);
    return ParameterReader(*findStageType(stage.type), stage).number(parameter);
}

template <class Editor>
Editor* editorOf(Driver& d) {
    return qobject_cast<Editor*>(d.window().gradePage()->editorPanel()->editor());
}

/// Where a fraction of the picture is seen in the viewer.
inline QPointF at(Driver& d, double x, double y) {
    const PictureView* view = d.window().gradePage()->view();
    return view->fromPicture({x * view->pictureSize().width(), y * view->pictureSize().height()});
}

inline void chooseWith(QListView* list, int row, Qt::KeyboardModifiers modifiers) {
    QTest::mouseClick(list->viewport(), Qt::LeftButton, modifiers,
                      list->visualRect(list->model()->index(row, 0)).center());
}

/// The entry of an open context menu.
inline void pick(const QString& text) {
    auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
    ASSERT_NE(menu, nullptr);
    for (QAction* action : menu->actions())
        if (action->text() == text) {
            QTest::mouseClick(menu, Qt::LeftButton, {}, menu->actionGeometry(action).center());
            return;
        }
    ADD_FAILURE() << "no entry " << text.toStdString();
    menu->close();
}

inline void rightClick(QWidget* widget, QPointF position) {
    QContextMenuEvent event(QContextMenuEvent::Mouse, position.toPoint(), widget->mapToGlobal(position.toPoint()));
    QApplication::sendEvent(widget, &event);
}

/// Whether a label in sight says these words.
inline bool isSaid(QWidget* within, const char* words) {
    for (const QLabel* each : within->findChildren<QLabel*>())
        if (each->isVisible() && each->text().contains(tr8(words))) return true;
    return false;
}

} // namespace baryton::test
