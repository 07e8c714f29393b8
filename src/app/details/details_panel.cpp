#include "app/details/details_panel.h"

#include <QScrollBar>

#include "app/details/detail_forms.h"
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
#include "app/model/tool_id.h"
#include "project/item.h"
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
           &InView::site_changed, workspace.shown(), &ShownMap::changed);
    connect(&workspace.selection(), &Selection::requirement_chosen, this, &DetailsPanel::refresh);
    refresh();
}

QString DetailsPanel::shape() const {
    const Floor* f = workspace_.floor();
    if (!f) return "none";
    QString units = workspace_.units() == LengthUnits::metres ? "" : "ft ";  // fields carry their unit
    // forms offer the building's floors by name
    for (const Floor& other : building_with(workspace_.project(), f->id).floors)
        units += QString("%1%2 ").arg(other.id.value).arg(QString::fromStdString(other.name));
    if (workspace_.in_view().site_shown()) {
        const Building* b = workspace_.in_view().building();
        return units + QString("building %1 %2 %3 %4")
                           .arg(b ? b->id.value : 0)
                           .arg(b ? QString::fromStdString(b->name) : QString())
                           .arg(b ? static_cast<int>(b->kind) : 0)
                           .arg(workspace_.project().buildings.size());
    }
    if (workspace_.activity().tool() == ToolId::scale) {
        const Drawing* d = workspace_.drawings().drawing();
        return units + QString("scale %1 %2 %3 %4")
                           .arg(f->id.value)
                           .arg(d ? d->id.value : 0)
                           .arg(d && d->scale_by == ScaleBy::lengths ? d->lengths.size() : 0)
                           .arg(f->drawings->size());
    }
    if (workspace_.activity().tool() == ToolId::align)
        return units + QString("align %1 %2 %3")
                           .arg(f->id.value)
                           .arg(workspace_.drawings().ghost().value)
                           .arg(workspace_.aligning().pairs().size());
    if (workspace_.activity().tool() != ToolId::select && workspace_.activity().tool() != ToolId::plate)
        return units + QString("kinds %1 %2 %3 %4")
                           .arg(static_cast<int>(workspace_.activity().tool()))
                           .arg(reinterpret_cast<quintptr>(workspace_.project().wall_types.identity()))
                           .arg(QString("%1%2%3%4")
                                    .arg(static_cast<int>(workspace_.next()->obstacle_shape))
                                    .arg(workspace_.next()->column_round)
                                    .arg(workspace_.next()->take_room)
                                    .arg(workspace_.next()->ceiling_hung))
                           .arg(workspace_.activity().tool() == ToolId::access_point
                                    ? workspace_.next()->model.value
                                    : 0);
    const auto& chosen = workspace_.selection().items();
    if (chosen.size() > 1 || !workspace_.selection().elsewhere().empty()) {
        QString s = units + QString("several %1").arg(workspace_.selection().elsewhere().size());
        for (const Item& i : chosen) s += QString(" %1/%2").arg(static_cast<int>(i.kind)).arg(i.id);
        return s;
    }
    if (chosen.empty() && workspace_.activity().step() == Step::proof) {
        QString s = units + "proof";
        for (const RequirementSet& set : *workspace_.project().requirement_sets)
            s += QString(" %1").arg(set.id.value);
        if (const Requirement* r =
                find_requirement(workspace_.project(), workspace_.selection().requirement()))
            s += QString(" of %1 %2 %3 %4")
                     .arg(r->id.value)
                     .arg(QString::fromStdString(r->lens))
                     .arg(r->bands.bits())
                     .arg(r->any_band);
        return s;
    }
    if (chosen.empty()) {
        QString s =
            units + QString("floor %1 %2 %3").arg(f->id.value).arg(f->plate.size()).arg(f->walls->empty());
        for (const Drawing& d : *f->drawings)
            s += QString(" %1 %2 %3")
                     .arg(d.id.value)
                     .arg(QString::fromStdString(d.name))
                     .arg(d.earlier.has_value());
        if (const Drawing* d = workspace_.drawings().drawing()) s += QString(" of %1").arg(d->id.value);
        return s;
    }
    QString s = units + QString("item %1 %2").arg(static_cast<int>(chosen[0].kind)).arg(chosen[0].id);
    s += QString(" of %1").arg(workspace_.project().wall_types->size());
    if (const CeilingArea* c = find_ceiling(*f, CeilingId{chosen[0].id});
        c && chosen[0].kind == ItemKind::ceiling)
        s += c->type ? " hung" : " bare";
    if (chosen[0].kind == Item::Kind::access_point)  // another model has other radios
        if (const auto* ap = find_access_point(workspace_.project(), f->id, AccessPointId{chosen[0].id})) {
            s += QString(" model %1").arg(ap->model.value);
            for (const Radio& r : ap->radios)
                s += QString(" %1/%2").arg(int{r.channel.band.index}).arg(r.channel.width_mhz);
        }
    return s;
}

void DetailsPanel::refresh() {
    const QString wanted = shape();
    if (wanted == shape_ && form_) return form_->refresh();
    shape_ = wanted;
    rebuild();
}

void DetailsPanel::rebuild() {
    form_ = nullptr;
    if (workspace_.floor()) {
        const auto& chosen = workspace_.selection().items();
        if (workspace_.in_view().site_shown()) {
            form_ = building_form(workspace_, nullptr);
        } else if (workspace_.activity().tool() == ToolId::scale) {
            form_ = scale_form(workspace_, nullptr);
        } else if (workspace_.activity().tool() == ToolId::align) {
            form_ = align_form(workspace_, nullptr);
        } else if (workspace_.activity().tool() != ToolId::select &&
                   workspace_.activity().tool() != ToolId::plate) {
            form_ = kinds_form(workspace_, nullptr);
        } else if (chosen.size() > 1 || !workspace_.selection().elsewhere().empty()) {
            form_ = several_form(workspace_, nullptr);
        } else if (chosen.empty() && workspace_.activity().step() == Step::proof) {
            form_ = requirements_form(workspace_, nullptr);
        } else if (chosen.size() == 1) {
            form_ = kind_face(chosen.front().kind).form(workspace_, chosen.front(), {[this](NoteId id) {
                                                            emit photo_asked(id);
                                                        }});
        } else {
            form_ = floor_form(
                workspace_, nullptr,
                {[this] { emit drawing_asked(); }, [this](DrawingId id) { emit revision_asked(id); },
                 [this](DrawingId id) { emit prepare_asked(id); }});
        }
    }
    // the old form may be the one whose field asked for this: it goes once that is over
    if (QWidget* old = scroll_->takeWidget()) {
        old->hide();
        old->setParent(nullptr);
        old->deleteLater();
    }
    QWidget* shown = form_ ? static_cast<QWidget*>(form_) : new QWidget;
    shown->setAutoFillBackground(true);
    scroll_->setWidget(shown);
}

}  // namespace yemvo::app
