// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/on_site/on_site_feature.h"

#include "app/on_site/on_site_page.h"
#include "render/tr.h"

namespace yemvo::app {

OnSiteFeature::OnSiteFeature(Shell& shell)
    : Feature(shell), page_(new OnSitePage(workspace_, shell.asking(), shell.frame())) {
    page_->setProperty(tray_height_property, 300);
    shell.tray_page(tr("On site"), page_);
    shell.command("view.pages", {"view.on-site", tr("On site: names, what hangs"), QKeySequence("Ctrl+Alt+N"),
                                 [this] { shell_.show_tray(page_); }});
    shell.command("file.export", {"file.list", tr("Access points from a &list…"), {}, [this] {
                                      shell_.show_tray(page_);
                                      page_->read_list();
                                  }});
}

}  // namespace yemvo::app
