// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/details/details_panel.h"

#include <QScrollBar>

#include "app/details/detail_forms.h"
#include "app/forms/page_parts.h"
#include "app/kinds/kind_face.h"
#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/aligning.h"
#include "app/model/drawings_in_view.h"
#include "app/model/in_view.h"
#include "app/model/listening.h"
#include "app/model/next_things.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "app/model/shown_map.h"
#include "app/model/workspace.h"
#include "project/project.h"

namespace yemvo::app {

DetailsPanel::DetailsPanel(Workspace& workspace, QWidget* parent)
    : QWidget(parent), workspace_(workspace), scroll_(new QScrollArea(this)) {
    setObjectName("details");
    setFixedWidth(usual_width);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->addWidget(scroll_);
    scroll_->setWidgetResizable(true);
    scroll_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll_->setFrameShape(QFrame::NoFrame);
    listen(this, &DetailsPanel::refresh, workspace, &Workspace::project_changed, workspace.in_view(),
           &InView::floor_changed, workspace.selection(), &Selection::changed, workspace.activity(),
           &Activity::tool_changed, workspace.activity(), &Activity::step_changed, workspace.results(),
           &Results::changed, workspace.next(), &NextThings::changed, workspace.aligning(),
           &Aligning::changed, workspace.drawings(), &DrawingsInView::changed, workspace.in_view(),
           &InView::site_changed, workspace.shown(), &ShownMap::changed, workspace.selection(),
           &Selection::requirement_chosen);
    offer_usual();
    refresh();
}

void DetailsPanel::offer(FormSource source) { sources_.insert(sources_.begin(), std::move(source)); }

/// From the last that is asked to the first.
void DetailsPanel::offer_usual() {
    Workspace& w = workspace_;
    const auto floor_subject = [&w] { return QString::number(w.floor_id().value); };
    const auto items_subject = [&w] {
        QString s = QString::number(w.project().wall_types->size());  // items offer types by name
        for (const Item& i : w.selection().items())
            s += QString(" %1/%2").arg(static_cast<int>(i.kind)).arg(i.id);
        return s;
    };
    const auto tool_is = [&w](ToolId id) { return w.activity().tool() == id; };
    offer({[] { return true; }, floor_subject, [&w] { return floor_form(w, nullptr); }});
    offer({[&w] { return w.selection().items().size() == 1; }, items_subject,
           [&w] {
               return kind_face(w.selection().items().front().kind).form(w, w.selection().items().front());
           }});
    offer({[&w] { return w.selection().items().empty() && w.activity().step() == Step::proof; },
           [] { return QString(); }, [&w] { return requirements_form(w, nullptr); }});
    offer({[&w] { return w.selection().items().size() > 1 || !w.selection().elsewhere().empty(); },
           [&w, items_subject] {
               return items_subject() + QString(" %1").arg(w.selection().elsewhere().size());
           },
           [&w] { return several_form(w, nullptr); }});
    offer({[tool_is] { return !tool_is(ToolId::select) && !tool_is(ToolId::plate); },
           [&w] { return QString::number(static_cast<int>(w.activity().tool())); },
           [&w] { return kinds_form(w, nullptr); }});
    offer({[tool_is] { return tool_is(ToolId::align); }, floor_subject,
           [&w] { return align_form(w, nullptr); }});
    offer({[tool_is] { return tool_is(ToolId::scale); }, floor_subject,
           [&w] { return scale_form(w, nullptr); }});
    offer({[&w] { return w.in_view().site_shown(); },
           [&w] {
               const Building* b = w.in_view().building();
               return QString::number(b ? b->id.value : 0);
           },
           [&w] { return building_form(w, nullptr); }});
}

void DetailsPanel::refresh() {
    std::size_t at = 0;
    while (at < sources_.size() && !sources_[at].applies()) ++at;
    const bool any = workspace_.floor() && at < sources_.size();
    const QString wanted = any ? QString("%1 %2").arg(at).arg(sources_[at].subject()) : QString("none");
    if (form_ && wanted == shown_ && !form_->is_outdated()) return form_->refresh();
    if (!any && wanted == shown_) return;
    shown_ = wanted;
    show_form(any ? sources_[at].make() : nullptr);
}

void DetailsPanel::show_field(const char* object) {
    auto* field = form_ ? form_->findChild<QLineEdit*>(object) : nullptr;
    if (!field) return;
    scroll_->ensureWidgetVisible(field);
    field->setFocus();
    field->selectAll();
}

void DetailsPanel::show_form(Form* form) {
    form_ = form;
    show_in(scroll_, form ? static_cast<QWidget*>(form) : new QWidget);
}

}  // namespace yemvo::app
