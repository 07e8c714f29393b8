// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/proposal/why_form.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include "app/forms/form.h"
#include "app/proposal/losses_list.h"
#include "app/proposal/why_asked.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

QString move_words(const Project& plan, const ProposalMove& m) {
    const QString how = m.kind == MoveKind::stays ? tr("stays where it hangs")
                        : m.kind == MoveKind::moved
                            ? tr("moved by %1 m").arg(render::figure(distance(m.from, m.to), 1))
                            : tr("new");
    for (const Zone& z : *find_floor(plan, m.floor)->zones)
        if (z.kind == ZoneKind::served && contains(z.outline, m.to))
            return QString("%1, %2").arg(QString::fromStdString(z.name), how);
    return how;
}

/// "78 clients, 53 % of the air in use at 5 GHz"
QString served_words(const WhyAsked& asked, const std::string& key) {
    const Proposal& p = *asked.proposal();
    const HourCapacity* hour = p.capacity ? p.capacity->find(key) : nullptr;
    if (!hour) return tr("nobody: no demand is told");
    double clients = 0;
    const RadioCapacity* busiest = nullptr;
    for (const RadioCapacity& r : hour->radios) {
        if (r.radio.access_point != asked.chosen()) continue;
        clients += r.clients;
        if (!busiest || r.use > busiest->use) busiest = &r;
    }
    if (!busiest) return tr("nobody");
    return tr("%1 clients; most air in use at %2 GHz: %3")
        .arg(render::figure(clients, 0), render::local(band(busiest->radio.channel.band).name),
             render::percent(busiest->use, 0));
}

QString lost_words(const WhyAsked& asked) {
    const WhyAsked::Why& why = asked.why();
    if (!why.fault.isEmpty()) return why.fault;
    if (!why.lost) return tr("Being tried…");
    if (why.lost->empty()) return tr("All that is asked holds without it too, as far as the verdict tells.");
    return why.lost->front().fails ? tr("Share of what is asked without it, and as required [%]:")
                                   : tr("What does not hold anyway is further from it [%]:");
}

QString lost_lens_name(const Project& p, const VerdictLoss& loss) {
    const Requirement* r = find_requirement(p, loss.requirement);
    if (!r)
        return loss.band ? tr("all that %1 GHz is asked for").arg(render::local(band(*loss.band).name))
                         : QString();
    return tr_mark(required_lens(*r).name);
}

QString movable_words(const WhyAsked& asked) {
    const WhyAsked::Why& why = asked.why();
    if (!why.fault.isEmpty()) return {};
    if (!why.area) return why.whole ? QString() : tr("Being tried…");
    const MovableArea& area = *why.area;
    QStringList words;
    if (area.cells.empty())
        words << (why.whole ? tr("By less than half a metre.") : tr("Being tried…"));
    else
        words << tr("%1 m², shaded: all that holds still holds anywhere in it.")
                     .arg(render::figure(area.area_m2(), 0));
    if (why.whole && area.nearest_break)
        words << tr("Nearest place where something breaks: %1 m away, where %2 falls to %3.")
                     .arg(render::figure(area.nearest_break->distance_m, 1),
                          lost_lens_name(asked.proposal()->plan.project, area.nearest_break->first),
                          render::percent(area.nearest_break->first.share_after));
    else if (why.whole && !area.cells.empty())
        words << tr("Looked at within %1 m of it: nothing breaks.")
                     .arg(render::figure(MovableWish().most_m, 0));
    return words.join(" ");
}

void add_told(Form* form, const char* object, std::function<QString()> get) {
    auto* label = new QLabel(form);
    label->setObjectName(object);
    label->setWordWrap(true);
    form->widget(label);
    form->on_refresh([label, get] { label->setText(get()); });
}

}  // namespace

Form* why_form(Workspace& workspace, WhyAsked& asked, std::function<void()> take) {
    auto* form = new Form(workspace);
    const ProposalMove move = *asked.move();
    form->group(tr("Access point %1, proposed").arg(move.number));
    const Project& plan = asked.proposal()->plan.project;
    form->text(tr("Model"), [name = QString::fromStdString(model(plan, move.model).name)] { return name; });
    form->text(tr("Place"), [words = move_words(plan, move)] { return words; });
    form->text(tr("Serves"), [&asked, &workspace] {
        return asked.move() ? served_words(asked, workspace.project().demand.hour) : QString();
    });
    form->group(tr("Fails without it"));
    add_told(form, "muted", [&asked] { return asked.move() ? lost_words(asked) : QString(); });
    auto* list = new LossesList(form);
    form->widget(list);
    form->on_refresh([&asked, list] {
        if (!asked.move()) return;
        list->show(asked.proposal()->plan.project, asked.why().lost.value_or(std::vector<VerdictLoss>{}));
    });
    form->group(tr("May be moved"));
    add_told(form, "movableWords", [&asked] { return asked.move() ? movable_words(asked) : QString(); });
    form->group(tr("Radios"));
    for (const Radio& r : asked.access_point()->radios)
        if (r.on)
            form->text(tr("%1 GHz").arg(render::local(band(r.channel.band).name)),
                       [words = tr("%1 MHz, %2 dBm")
                                    .arg(render::local(short_channel_text(r.primary, r.channel.width_mhz)),
                                         render::figure(r.power_dbm, 0))] { return words; });
    auto* button =
        new QPushButton(move.kind == MoveKind::stays ? tr("Take its settings") : tr("Take this one"), form);
    button->setObjectName("proposalTakeOne");
    QObject::connect(
        button, &QPushButton::clicked, form, [take = std::move(take)] { take(); }, Qt::QueuedConnection);
    form->widget(button);
    form->stretch();
    form->refresh();
    return form;
}

}  // namespace yemvo::app
