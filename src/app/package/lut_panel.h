#pragma once
#include "app/app_state.h"
#include "app/package/missed_view.h"
#include "app/package/spaces_row.h"
#include "app/widgets/segments.h"
#include "app/widgets/size_plot.h"
#include "lut/by_grid.h"

#include <QCheckBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QStackedWidget>
#include <QThreadPool>
#include <QWidget>

namespace baryton {

/// A Look as a LUT file: format, grid and place; what is left out, and how faithful the file is, measured on the
/// set's own pictures before and after it is written; what other grids would do, and where it misses. The smallest
/// grid that does is chosen, until a hand chooses one.
class LutPanel : public QWidget {
    Q_OBJECT
public:
    /// `role` is that of the export button: "primary" where exporting is what one came for.
    explicit LutPanel(AppState& state, const char* role = "", QWidget* parent = nullptr);
    ~LutPanel() override;

    /// What is exported, and what it is called. Pictures are those it is measured on, at their own pixels.
    void setSource(const Grade& grade, const QString& title, const std::vector<SourceFile>& pictures);

    QPushButton* exportButton() const { return export_; }
    Segments* grids() const { return sizes_; }
    QString accountText() const { return account_->text(); }
    /// What is seen: the account, the plot of sizes, or where the LUT misses.
    Segments* pages() const { return pages_; }
    SizePlot* plot() const { return plot_; }
    MissedView* missed() const { return missed_; }
    QCheckBox* withPrep() const { return withPrep_; }

Q_SIGNALS:
    void written(const QString& file);

protected:
    void showEvent(QShowEvent* event) override;

private:
    void placeFile();
    void measure();
    /// The sizes, for all that but the size is set; then where the LUT of the chosen one misses. In a thread of the
    /// pool.
    void measureSizes(const std::shared_ptr<Task>& task, const Grade& grade, const LutExport& wanted,
                      const std::vector<Picture>& pictures, bool sizesToo);
    void showSizes();
    /// Chooses the smallest grid that does; where a hand has chosen one, that stays.
    void adviseGrid();
    void write();
    void showAccount(const QString& head, const LutExportReport& report);
    /// What is baked: with masks ignored where that is asked for.
    Grade wanted() const;
    /// How it is baked, and where to.
    LutExport lut() const;
    LutFormat format() const;
    int size() const;

    AppState& state_;
    Grade grade_;
    QString title_;
    std::vector<SourceFile> pictures_;
    Segments *formats_, *sizes_;
    SpacesRow* spaces_;
    QCheckBox* everywhere_; ///< live where a mask with a place would leave something out
    QCheckBox* withPrep_;   ///< live where Prep does something that bakes
    QLineEdit* file_;
    QPushButton* export_;
    QLabel *account_, *fileNote_;
    Segments* pages_;
    QStackedWidget* stack_;
    SizePlot* plot_;
    MissedView* missed_;
    std::vector<GridSize> bySize_; ///< as far as known
    bool sizesKnown_ = false, sizeIsChosen_ = false, isWriting_ = false;
    QTimer measureTimer_;
    std::shared_ptr<Task> task_;
    QThreadPool pool_;
};

} // namespace baryton
