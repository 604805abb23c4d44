#include "app/grade/write_picture.h"
#include "app/behind.h"
#include "base/error.h"
#include "base/words.h"
#include "render/graded_file.h"

#include <QPointer>
#include <QThreadPool>

namespace baryton {

namespace fs = std::filesystem;

void writeKeyPicture(AppState& state, fs::path file, const QString& filter, const std::function<void()>& done) {
    const QString shown = QString::fromStdString(file.extension().string()).toLower();
    OutputFormat format{FileFormat::Jpeg, 8, 95};
    const bool tiff = shown.startsWith(QStringLiteral(".tif")), png = shown == QStringLiteral(".png");
    if (tiff || (shown.isEmpty() && filter.contains(QStringLiteral("*.tif")))) format = {FileFormat::Tiff, 16, 95};
    if (png || (shown.isEmpty() && filter.contains(QStringLiteral("*.png")))) format = {FileFormat::Png, 16, 95};
    if (shown.isEmpty()) file += "." + fileExtension(format.format);
    const fs::path source = state.pictures().at(state.key()).file;
    try {
        requireOutput(file, state.filesInUse(), isPictureFile, words("a picture"));
    } catch (const Error& e) {
        return state.tell(QString::fromStdString(e.what()), true);
    }
    const Grade grade = state.keyGrade();
    QPointer<AppState> alive = &state;
    runBehind(*QThreadPool::globalInstance(), [alive, source, file, format, grade, done] {
        QString problem, remarks;
        try {
            FileSource picture(source, sourceSettingsOf(grade), {}, 1);
            const WrittenPicture written =
                writeGraded(file, picture, Program::compile(grade), Output({format}), 0, nullptr);
            for (const auto* list : {&picture.remarks(), &written.remarks})
                for (const auto& remark : *list) remarks += QStringLiteral("; ") + QString::fromStdString(remark);
        } catch (const std::exception& e) {
            problem = QString::fromStdString(e.what());
        }
        tellWindow(qApp, [alive, file, problem, remarks, done] {
            if (!alive) return;
            const QString name = QString::fromStdString(file.string());
            alive->tell(problem.isEmpty() ? AppState::tr("Written: %1").arg(name) + remarks : problem,
                        !problem.isEmpty());
            if (problem.isEmpty() && done) done();
        });
    });
}

} // namespace baryton
