// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/plan/plan_feature.h"

#include <cmath>

#include "app/asking/file_names.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/listening.h"
#include "app/model/map_results.h"
#include "app/model/results.h"
#include "app/model/shown_map.h"
#include "app/model/wishes.h"
#include "app/offer/place_words.h"
#include "app/plan/plan_view.h"
#include "app/plan/tool_strip.h"
#include "app/plan/tools.h"
#include "project/project.h"
#include "render/plan_picture.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

PlanFeature::PlanFeature(Shell& shell) : Feature(shell), view_(new PlanView(workspace_, shell.frame())) {
    auto* tools = new ToolStrip(workspace_, shell.frame());
    shell.put(Place::tools, tools);
    QAction* names = shell.command("view.look", {"view.tool-names",
                                                 tr("Names of the tools"),
                                                 {},
                                                 [tools] { tools->set_named(!tools->is_named()); },
                                                 Needs::nothing,
                                                 [tools] { return tools->is_named(); }});
    connect(tools, &ToolStrip::names_asked, names, &QAction::trigger);
    shell.view(view_, [this] { return Hint{view_->tool().name(), view_->tool().hint()}; });
    shell.works({[this] { return writer_.words(); }});
    connect(&writer_, &Behind::progressed, this, [this] { shell_.work_changed(); });
    make_commands();
    connect(view_, &PlanView::hint_changed, this, [this] { shell_.hint_changed(); });
    connect(view_, &PlanView::next_step_asked, this, &PlanFeature::take_next_step);
    connect(view_, &PlanView::pointer_moved, this, [this](const Point& p, bool inside) {
        shell_.set_pointer(inside ? place_words(workspace_, "x", p.x, "y", p.y) : QString());
    });
    connect(view_, &PlanView::view_changed, this, &PlanFeature::refresh_scale);
    listen(this, &PlanFeature::refresh_scale, workspace_.in_view(), &InView::floor_changed);
    connect(&workspace_.wishes(), &Wishes::fit_plan, view_, &PlanView::fit);
    listen(
        this,
        [this] {
            if (!workspace_.in_view().site_shown()) shell_.show_view(view_);
        },
        workspace_.in_view(), &InView::site_changed);
}

void PlanFeature::make_commands() {
    shell_.command("file.export", {"file.export-picture", tr("Export plan picture…"), QKeySequence("Ctrl+E"),
                                   [this] { ask_for_picture(); }});
    shell_.command("view.zoom",
                   {"view.fit", tr("Fit floor"), QKeySequence("Ctrl+0"), [this] { view_->fit(); }});
    shell_.command("view.zoom",
                   {"view.zoom-in", tr("Zoom in"), QKeySequence("Ctrl++"), [this] { view_->zoom(1.25); }});
    shell_.command("view.zoom",
                   {"view.zoom-out", tr("Zoom out"), QKeySequence("Ctrl+-"), [this] { view_->zoom(0.8); }});
    for (const ToolInfo& tool : all_tools())
        shell_.command("plan.tools", {QString("tool.") + QString(tool.name).toLower().replace(' ', '-'),
                                      tr(tool.name),
                                      QKeySequence(tool.key),
                                      [this, id = tool.id] {
                                          Activity& now = workspace_.activity();
                                          if (!offers(now.step(), id))
                                              now.set_step(tool_info(id).steps.front());
                                          now.set_tool(id);
                                          view_->setFocus();
                                      },
                                      Needs::work,
                                      {},
                                      tr(tool.what)});
}

void PlanFeature::refresh_scale() {
    if (!workspace_.floor()) return shell_.set_scale({});
    // pixels of 96 to the inch
    const double ratio = 96 / 0.0254 / view_->map().px_per_m;
    shell_.set_scale("1 : " + QString::number(ratio < 100 ? std::round(ratio) : std::round(ratio / 10) * 10));
}

void PlanFeature::take_next_step(NextStep step) {
    if (step == NextStep::drawing) return emit workspace_.wishes().choose_drawing();
    workspace_.activity().set_step(
        step == NextStep::access_point || step == NextStep::closet ? Step::placement : Step::venue);
    workspace_.activity().set_tool(step == NextStep::scale    ? ToolId::scale
                                   : step == NextStep::closet ? ToolId::closet
                                   : step == NextStep::area   ? ToolId::wall
                                                              : ToolId::access_point);
    view_->setFocus();
}

void PlanFeature::ask_for_picture() {
    const Floor* f = workspace_.floor();
    const QString proposed =
        file_name_for(QString::fromStdString(workspace_.project().name + ", " + f->name), ".png");
    const QString name = ask_where_to_write(shell_.asking(), tr("Export the plan as a picture"), proposed,
                                            tr("PNG pictures (*.png)"), ".png");
    if (!name.isEmpty()) export_picture(name);
}

void PlanFeature::export_picture(const QString& file) {
    const Results& results = workspace_.results();
    if (!results.map_prediction())
        return workspace_.tell(tr("The prediction of this floor is not ready yet: try again in a moment"),
                               true);
    Job writing{tr("Writing %1").arg(file),
                [file, project = workspace_.project(), floor = *results.map_prediction(),
                 known = results.prediction(), map = workspace_.shown().map(),
                 other_name = workspace_.shown().other_name().toStdString()](const AtWork&) {
                    const HeldAgainst* other = known->more.find<HeldAgainst>();
                    const bool held = other && other->floor.floor == floor.floor;
                    render::save_plan_picture(
                        project, *find_floor(project, floor.floor), floor, map, file.toStdString(),
                        {held ? other->project.get() : nullptr, held ? &other->floor : nullptr, other_name});
                },
                [this](const QString& why) {
                    shell_.asking().tell_failure(tr("The picture could not be written"), why);
                },
                [this, file] { workspace_.tell(tr("Wrote %1").arg(file)); }, [this] { --exporting_; }};
    workspace_.tell(tr("Writing %1").arg(file));
    ++exporting_;
    writer_.request(writing);
}

}  // namespace yemvo::app
