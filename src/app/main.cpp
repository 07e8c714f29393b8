// SPDX-License-Identifier: GPL-3.0-or-later
#include <QApplication>
#include <QCommandLineParser>
#include <QSettings>
#include <clocale>

#include "app/app_window.h"
#include "app/look/text_size.h"
#include "app/look/theme.h"

namespace {

/// A fault in one event ends that event, not the program with all unsaved work; it is told where it is seen.
class Application : public QApplication {
public:
    using QApplication::QApplication;
    bool notify(QObject* receiver, QEvent* event) override {
        try {
            return QApplication::notify(receiver, event);
        } catch (const std::exception& fault) {
            if (window)
                window->tell_fault(QString::fromUtf8(fault.what()));
            else
                throw;
        }
        return false;
    }
    yemvo::app::AppWindow* window = nullptr;
};

}  // namespace

int main(int argc, char** argv) {
    yemvo::give_back_large_blocks();
    yemvo::app::apply_text_size();
    Application app(argc, argv);
    std::setlocale(LC_NUMERIC, "C");  // the window writes numbers by QLocale, files by no locale at all
    app.setApplicationName("Yemvo");
    app.setOrganizationName("Yemvo");
    app.setApplicationVersion("0.1.0");
    QCommandLineParser arguments;
    arguments.setApplicationDescription("Designs wireless networks for multi-floor venues.");
    arguments.addHelpOption();
    arguments.addVersionOption();
    arguments.addOption({"demo", "Open the demo library."});
    arguments.addPositionalArgument("FILE", "A project (.yemvo) to open.", "[FILE]");
    arguments.process(app);
    yemvo::app::choose_theme(QSettings().value("dark", false).toBool());
    yemvo::app::AppWindow window;
    app.window = &window;
    window.show();
    if (!arguments.positionalArguments().isEmpty())
        window.open_file(arguments.positionalArguments().front());
    else if (arguments.isSet("demo"))
        window.open_demo();
    return app.exec();
}
