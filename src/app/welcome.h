#pragma once
#include <QWidget>
#include <filesystem>

class QVBoxLayout;

namespace baryton {

/// What stands there when nothing is open: a folder, pictures, what was open lately, the demo set.
class WelcomePage : public QWidget {
    Q_OBJECT
public:
    explicit WelcomePage(QWidget* parent = nullptr);
    void fill(); ///< what was open lately

Q_SIGNALS:
    void folderWanted();
    void picturesWanted();
    void pathWanted(const QString& path);

protected:
    void showEvent(QShowEvent* event) override;

private:
    QVBoxLayout* recent_;
};

/// The demo set that is installed with the program, or beside its sources; empty where there is none.
std::filesystem::path demoFolder();
/// The presets that come with the program, one folder a group; empty when they are not there.
std::filesystem::path givenPresetsFolder();

} // namespace baryton
