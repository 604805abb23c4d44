#include "base/error.h"
#include "cli/commands.h"

#include <clocale>
#include <iostream>

int main(int argc, char** argv) {
    using namespace baryton;
    std::setlocale(LC_CTYPE, ""); // names may hold any letters; numbers stay as in files
    CLI::App app("baryton-cli: colour styles for whole sets of pictures, from the command line", "baryton-cli");
    app.require_subcommand(1);
    int code = kAllDone;
    addApplyCommand(app, code);
    addLutCommands(app, code);
    addPresetCommands(app, code);
    addInfoCommands(app);
    try {
        app.parse(argc, argv);
    } catch (const CLI::ParseError& e) {
        return app.exit(e) == 0 ? kAllDone : kWrongUsage;
    } catch (const Error& e) {
        std::cerr << e.what() << '\n';
        return kWrongUsage;
    } catch (const std::exception& e) {
        std::cerr << "baryton-cli: " << e.what() << '\n';
        return kWrongUsage;
    }
    return code;
}
