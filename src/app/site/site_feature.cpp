// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/site/site_feature.h"

#include <QWidget>

#include "app/model/in_view.h"
#include "app/offer/place_words.h"
#include "app/site/site_view.h"
#include "render/tr.h"

namespace yemvo::app {

SiteFeature::SiteFeature(Shell& shell) : Feature(shell), view_(new SiteView(workspace_, shell.frame())) {
    shell.view(view_, [] {
        return Hint{tr("Site"),
                    {{"", tr("drag a building; its handle turns it")},
                     {tr("Shift"), tr("15° steps")},
                     {"", tr("double click opens it")}}};
    });
    InView& in_view = workspace_.in_view();
    shell.command("view.zoom", {"view.site", tr("Site"), QKeySequence("Ctrl+6"),
                                [&in_view] { in_view.show_site(!in_view.site_shown()); }});
    connect(&in_view, &InView::site_changed, this, [this, &in_view] {
        if (!in_view.site_shown() || shell_.view_in_front() == view_) return;
        shell_.show_view(view_);
        view_->fit();
    });
    connect(view_, &SiteView::open_asked, &in_view, &InView::show_floor);
    connect(view_, &SiteView::pointer_moved, this, [this](const Point& p, bool inside) {
        shell_.set_pointer(inside ? place_words(workspace_, tr("east"), p.x, tr("north"), p.y) : QString());
    });
}

}  // namespace yemvo::app
