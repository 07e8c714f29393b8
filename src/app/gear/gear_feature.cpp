// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/gear/gear_feature.h"

#include "app/charts/chart_page.h"
#include "app/gear/gear_page.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/next_things.h"
#include "app/model/tool_id.h"
#include "app/model/wishes.h"
#include "app/pattern_file/pattern_file_page.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {

GearFeature::GearFeature(Shell& shell)
    : Feature(shell),
      page_(new GearPage(workspace_, shell.asking(), shell.frame())),
      charts_(new ChartPage(workspace_, shell.frame())),
      files_(new PatternFilePage(workspace_, shell.frame())) {
    shell.page(page_, [] {
        return Hint{tr("Gear"),
                    {{"", tr("choose a model or an antenna, change it, see its lobe")},
                     {tr("Esc"), tr("back to the plan")}}};
    });
    add_chart_page();
    add_pattern_file_page();
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

void GearFeature::add_chart_page() {
    shell_.page(charts_, [] {
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
    shell_.works({[this] { return charts_->behind().words(); }, [this] { charts_->behind().stop(); }});
}

void GearFeature::add_pattern_file_page() {
    shell_.page(files_, [] {
        return Hint{tr("Pattern file"),
                    {{"", tr("say which block is which cut, and look at the plots")},
                     {tr("Esc"), tr("back to the gear")}}};
    });
    connect(page_, &GearPage::pattern_file, files_, &PatternFilePage::open);
    connect(files_, &PatternFilePage::opened, this, [this] { shell_.show_page(files_); });
    connect(files_, &PatternFilePage::left, this, [this] { shell_.show_page(page_); });
    connect(files_, &PatternFilePage::accepted, this, [this](const PatternFile& file, const QString& from) {
        if (!page_->isVisible()) shell_.show_page(page_);
        page_->take_pattern_file(file, from);
    });
    connect(&files_->behind(), &Behind::progressed, this, [this] { shell_.work_changed(); });
    shell_.works({[this] { return files_->behind().words(); }, [this] { files_->behind().stop(); }});
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
