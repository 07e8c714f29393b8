// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/gear/gear_feature.h"

#include "app/charts/chart_page.h"
#include "app/gear/gear_page.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/next_things.h"
#include "app/model/tool_id.h"
#include "app/model/wishes.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {

GearFeature::GearFeature(Shell& shell)
    : Feature(shell),
      page_(new GearPage(workspace_, shell.asking(), shell.frame())),
      charts_(new ChartPage(workspace_, shell.frame())) {
    shell.page(page_, [] {
        return Hint{tr("Gear"),
                    {{"", tr("choose a model or an antenna, change it, see its lobe")},
                     {tr("Esc"), tr("back to the plan")}}};
    });
    shell.page(charts_, [] {
        return Hint{tr("Charts"),
                    {{"", tr("drag centre, rings and 0 where they are off")},
                     {tr("arrows"), tr("move what was touched last")},
                     {tr("Shift"), tr("draw the curve")},
                     {tr("Esc"), tr("back to the gear")}}};
    });
    connect(page_, &GearPage::chart, charts_, &ChartPage::open);
    connect(charts_, &ChartPage::opened, this, [this] { shell_.show_page(charts_); });
    connect(charts_, &ChartPage::left, this, [this] { shell_.show_page(page_); });
    connect(charts_, &ChartPage::accepted, this, [this](const ChartResult& r) {
        shell_.show_page(page_);
        page_->take_pattern(r.name, r.cuts, r.gain_dbi);
    });
    connect(&charts_->behind(), &Behind::progressed, this, [this] { shell_.work_changed(); });
    shell.works({[this] { return charts_->behind().words(); }, [this] { charts_->behind().stop(); }});
    shell.command("view.pages", {"view.gear", tr("Gear: models and antennas"), QKeySequence("Ctrl+Shift+M"),
                                 [this] { show({}); }});
    connect(&workspace_.wishes(), &Wishes::gear_page, this, [this](ModelId id) { show({id, {}}); });
    connect(page_, &GearPage::left, this, [this] { shell_.leave_page(); });
    connect(page_, &GearPage::place, this, &GearFeature::place);
    shell.named_things([this](std::vector<NamedThing>& all) {
        for (const AccessPointModel& m : *workspace_.project().models)
            all.push_back({QString::fromStdString(m.name), tr("Model"), [this, id = m.id] {
                               show({id, {}});
                           }});
        for (const AntennaModel& a : *workspace_.project().antennas)
            all.push_back({QString::fromStdString(a.name), tr("Antenna"), [this, id = a.id] {
                               show({{}, id});
                           }});
    });
}

bool GearFeature::is_showing() const { return shell_.is_in_front(page_); }

void GearFeature::show(GearId id) {
    if (!workspace_.document().is_open() || !(shell_.work_in_front() || is_showing())) return;
    page_->show_gear(id);
    shell_.show_page(page_);
}

void GearFeature::place(ModelId id) {
    workspace_.next().change([&](NextKinds& n) { n.model = id; });
    shell_.leave_page();
    workspace_.activity().set_tool(ToolId::access_point);
}

}  // namespace yemvo::app
