#include <QApplication>
#include <QCommandLineParser>
#include <QSettings>

#include "app/shell/main_window.h"
#include "app/shell/theme.h"

int main(int argc, char** argv) {
    QApplication app(argc, argv);
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
    yemvo::app::MainWindow window;
    window.show();
    if (!arguments.positionalArguments().isEmpty())
        window.open_file(arguments.positionalArguments().front());
    else if (arguments.isSet("demo"))
        window.open_demo();
    return app.exec();
}
