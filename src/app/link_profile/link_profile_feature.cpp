// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/link_profile/link_profile_feature.h"

#include "app/link_profile/link_profile_page.h"
#include "app/model/activity.h"
#include "render/tr.h"

namespace yemvo::app {

LinkProfileFeature::LinkProfileFeature(Shell& shell)
    : Feature(shell), page_(new LinkProfilePage(workspace_, shell.frame())) {
    shell.tray_page(tr("Link profile"), page_);
    connect(&workspace_.activity(), &Activity::tool_changed, this, [this] {
        if (workspace_.activity().tool() == ToolId::probe) shell_.show_tray(page_);
    });
}

}  // namespace yemvo::app
