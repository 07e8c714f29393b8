// SPDX-License-Identifier: GPL-3.0-or-later
#include <QApplication>
#include <QCommandLineParser>
#include <QSettings>
#include <clocale>
#include <cstdio>

#include "app/app_window.h"
#include "app/look/text_size.h"
#include "app/look/theme.h"
#include "render/tr.h"

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
                window->tell_fault(yemvo::fault_text(fault));
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
    yemvo::use_translation_of_the_desktop();
    QCommandLineParser arguments;
    arguments.setApplicationDescription(yemvo::tr("Designs wireless networks for multi-floor venues."));
    arguments.addHelpOption();
    arguments.addVersionOption();
    arguments.addOption({"demo", yemvo::tr("Open the demo library.")});
    arguments.addOption(
        {"translation", yemvo::tr("Show the window in the language of this translation (.qm)."), "FILE"});
    arguments.addPositionalArgument("FILE", yemvo::tr("A project (.yemvo) to open."), "[FILE]");
    arguments.process(app);
    if (const QString file = arguments.value("translation");
        !file.isEmpty() && !yemvo::use_translation(file)) {
        std::fprintf(stderr, "yemvo: %s is no translation (.qm)\n", qPrintable(file));
        return 2;
    }
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
