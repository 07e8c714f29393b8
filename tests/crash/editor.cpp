// SPDX-License-Identifier: GPL-3.0-or-later
// The real window editing and saving at random until it is killed. Prints a line an edit: its number and
// when.
#include <QApplication>
#include <QStandardPaths>
#include <QTest>
#include <cstdio>
#include <random>

#include "app/app_window.h"
#include "app/look/theme.h"
#include "app/model/document.h"
#include "project/storage.h"

using namespace yemvo;
using namespace yemvo::app;

/// editor FILE SEED LETTER: the project's name is the letter and the count of edits, so that what is found
/// later tells whose it is and how old. A file that another window has written is written over.
int main(int argc, char** argv) {
    if (argc != 4) return 2;
    QApplication app(argc, argv);
    app.setApplicationName("yemvo-crash-test");
    apply_theme(app);
    AppWindow window;
    window.asking().changed_on_disk = [](const QString&, const QStringList&) {
        return Asking::OnDisk::write_over;
    };
    window.asking().tell_failure = [](const QString&, const QString&) {};  // a full disk is what is tried
    window.show();
    window.open_file(argv[1]);
    if (!QTest::qWaitFor([&] { return window.workspace().document().is_open(); }, 10000)) return 3;
    std::mt19937 random(static_cast<unsigned>(std::atoi(argv[2])));
    for (int n = 1;; ++n) {
        window.workspace().edit("Edit", [&](Project& p) {
            p.name = argv[3] + std::to_string(n);
            const FloorId floor = all_floors(p).front()->id;
            const double x = std::uniform_real_distribution<>(1, 60)(random);
            Wall w;
            w.type = first_type(p, TypeUse::wall);
            w.points = {{x, 1}, {x, 3}};
            add_wall(p, floor, w);
        });
        std::printf("%d %lld\n", n, static_cast<long long>(QDateTime::currentMSecsSinceEpoch()));
        std::fflush(stdout);
        if (random() % 35 == 0) {
            window.save();
            while (window.is_working()) QTest::qWait(1);
            std::printf("saved %d\n", n);
            std::fflush(stdout);
        }
        QTest::qWait(std::uniform_int_distribution<>(1, 400)(random));
    }
}
