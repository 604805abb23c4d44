#include "base/error.h"
#include "cli/commands.h"

#include <algorithm>
#include <clocale>
#include <iostream>
#include <string>
#include <vector>

namespace {

/// The arguments with "[name]" as "./[name]": the parser would take it for a list.
std::vector<std::string> asNames(int argc, char** argv) {
    std::vector<std::string> arguments(argv + 1, argv + argc);
    for (std::size_t i = 0; i < arguments.size(); ++i) {
        const std::string before = i > 0 ? arguments[i - 1] : "";
        const bool isWords = before.starts_with('-') && before != "--" && before != "--preset" && before != "--lut";
        if (!isWords && arguments[i].starts_with('[') && arguments[i].ends_with(']')) arguments[i].insert(0, "./");
    }
    std::reverse(arguments.begin(), arguments.end()); // as the parser wants them
    return arguments;
}

} // namespace

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
        app.parse(asNames(argc, argv));
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
