// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/on_air/on_air_feature.h"

#include "app/model/neighbours.h"
#include "app/on_air/on_air_page.h"
#include "render/tr.h"

namespace yemvo::app {

OnAirFeature::OnAirFeature(Shell& shell)
    : Feature(shell), page_(new OnAirPage(workspace_, shell.asking(), shell.frame())) {
    shell.page(page_, [] {
        return Hint{tr("On the air"),
                    {{"", tr("a row and its block are one selection; a rule goes to what it is about")},
                     {tr("Esc"), tr("back")}}};
    });
    Command show{"view.on-air", tr("On the air: a packet capture"), QKeySequence("Ctrl+Shift+O"),
                 [this] { shell_.show_page(page_); }};
    show.needs = Needs::nothing;
    shell.command("view.pages", show);
    shell.takes_dropped([this](const QStringList& files, QPoint) {
        for (const QString& f : files)
            if (is_capture(f)) {
                shell_.show_page(page_);
                page_->open(f);
                return true;
            }
        return false;
    });
    shell.works({[this] { return page_->behind().words(); }, [this] { page_->stop(); }});
    connect(page_, &OnAirPage::progressed, this, [this] { shell_.work_changed(); });
    connect(page_, &OnAirPage::left, this, [this] { shell_.leave_page(); });
}

}  // namespace yemvo::app
