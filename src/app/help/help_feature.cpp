// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/help/help_feature.h"

#include <QApplication>
#include <QMessageBox>

#include "app/help/guide_page.h"
#include "render/tr.h"

namespace yemvo::app {

HelpFeature::HelpFeature(Shell& shell) : Feature(shell), guide_(new GuidePage(shell.frame())) {
    shell.page(guide_, [] {
        return Hint{tr("Guide"), {{tr("Enter"), tr("next place of the word")}, {tr("Esc"), tr("back")}}};
    });
    connect(guide_, &GuidePage::left, this, [this] { shell_.leave_page(); });
    shell.command("help", {"help.guide", tr("User guide"), QKeySequence("Shift+F1"),
                           [this] { shell_.show_page(guide_); }, Needs::nothing});
    shell.command("help", {"help.about", tr("About Yemvo"), {}, [this] { tell_about(); }, Needs::nothing});
}

void HelpFeature::tell_about() {
    auto* box = new QMessageBox(shell_.frame());
    box->setObjectName("about");
    box->setAttribute(Qt::WA_DeleteOnClose);
    box->setWindowTitle(tr("About Yemvo"));
    box->setText(tr("Yemvo %1").arg(QApplication::applicationVersion()));
    box->setInformativeText(
        tr("Designs wireless networks for multi-floor venues and proves that they work.\n\nFree software "
           "under the GNU General Public License, version 3 or later, without any warranty. Built with "
           "Qt %1.")
            .arg(qVersion()));
    box->open();
}

}  // namespace yemvo::app
