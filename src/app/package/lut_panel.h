#pragma once
#include "app/app_state.h"
#include "app/widgets/segments.h"
#include "lut/export_lut.h"

#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QThreadPool>
#include <QWidget>

namespace baryton {

/// A Look as a LUT file: format, grid and place; what is left out, and how faithful the file is, measured on the
/// set's own pictures before and after it is written.
class LutPanel : public QWidget {
    Q_OBJECT
public:
    /// `role` is that of the export button: "primary" where exporting is what one came for.
    explicit LutPanel(AppState& state, const char* role = "", QWidget* parent = nullptr);
    ~LutPanel() override;

    /// What is exported, and what it is called. Pictures are those it is measured on.
    void setSource(const Grade& grade, const QString& title, const std::vector<Picture>& pictures);

    QPushButton* exportButton() const { return export_; }

Q_SIGNALS:
    void written(const QString& file);

protected:
    void showEvent(QShowEvent* event) override;

private:
    void placeFile();
    void measure();
    void write();
    void showAccount(const QString& head, const LutExportReport& report);
    /// What is baked: with masks ignored where that is asked for.
    Grade wanted() const;
    LutFormat format() const;
    int size() const;
    LutSpaces spaces() const;

    AppState& state_;
    Grade grade_;
    QString title_;
    std::vector<Picture> pictures_;
    Segments *formats_, *sizes_;
    QComboBox *reads_, *writes_;
    QCheckBox* everywhere_; ///< live where a mask with a place would leave something out
    QLineEdit* file_;
    QPushButton* export_;
    QLabel *account_, *fileNote_;
    QTimer measureTimer_;
    std::shared_ptr<Task> task_;
    QThreadPool pool_;
};

} // namespace baryton
