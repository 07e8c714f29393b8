// SPDX-License-Identifier: GPL-3.0-or-later
// The demand of several zones or rows of devices at once: a storey of offices is told in one go.
#include <QComboBox>
#include <cmath>
#include <optional>

#include "app/details/demand_rows.h"
#include "app/forms/form_parts.h"
#include "app/model/selection.h"
#include "capacity/demand_table.h"
#include "project/demand_place.h"
#include "project/edits.h"
#include "project/library.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

class SeveralDemand {
public:
    SeveralDemand(Form& form, Workspace& workspace) : form_(form), w_(workspace) {}

    void build() {
        if (!is_of(ItemKind::zone) && !is_of(ItemKind::device_row)) return;
        form_.group(tr("Who is here"));
        if (is_of(ItemKind::zone)) use();
        form_.text({}, [s = *this] { return s.sums(); })->setObjectName("severalDemand");
        if (is_of(ItemKind::zone))
            number(tr("Devices"), "severalDevices", tr("a head"), 2, tr("Change devices a head"),
                   &ZoneDemand::devices, limits::devices_a_head, 1);
        number(tr("On the air"), "severalConnected", tr("% of them"), 0, tr("Change share connected"),
               &ZoneDemand::connected, {100 * limits::share.low, 100 * limits::share.high, "%"}, 100);
        number(tr("Growth"), "severalGrowth", "%", 0, tr("Change growth"), &ZoneDemand::growth,
               {100 * limits::growth.low, 100 * limits::growth.high, "%"}, 100);
        presence();
        network();
    }

private:
    std::vector<std::pair<FloorId, Item>> chosen() const {
        std::vector<std::pair<FloorId, Item>> all;
        for (const Item& i : w_.selection().items()) all.emplace_back(w_.floor_id(), i);
        for (const auto& [at, items] : w_.selection().elsewhere())
            for (const Item& i : items) all.emplace_back(at, i);
        return all;
    }
    bool is_of(ItemKind kind) const {
        return std::ranges::all_of(chosen(), [&](const auto& c) { return c.second.kind == kind; });
    }
    /// Of those that say anything of demand.
    std::vector<DemandPlace> places() const {
        std::vector<DemandPlace> all;
        const auto items = chosen();
        for (const Floor* f : all_floors(w_.project()))
            for (const DemandPlace& p : told_places(*f))
                if (std::ranges::count(items, std::pair(f->id, p.item())) > 0) all.push_back(p);
        return all;
    }
    void change(const QString& label, const std::function<void(ZoneDemand&)>& how) const {
        w_.selection().edit(label,
                            [&](Project& p, FloorId at, const Item& i) { change_demand(p, at, i, how); });
    }
    /// What all have; none where they differ, or none says anything.
    template <class Get>
    auto shared(Get get) const {
        std::optional<decltype(get(std::declval<const ZoneDemand&>()))> value;
        for (const DemandPlace& p : places()) {
            const auto one = get(p.demand());
            if (value && !(*value == one)) return decltype(value)();
            value = one;
        }
        return value;
    }

    void use() const {
        static const std::vector<ZoneUse> uses = standard_uses();
        QStringList names{tr("Nobody")};
        for (const ZoneUse& u : uses) names << tr_mark(u.name);
        auto* combo = form_.choice(
            form_.row(tr("Use")), "severalUse", names, [s = *this] { return s.places().empty() ? 0 : -1; },
            [s = *this](int i) {
                s.w_.selection().edit(tr("Change use of zones"),
                                      [&](Project& p, FloorId at, const Item& item) {
                                          Zone z = *find_zone(*find_floor(p, at), ZoneId{item.id});
                                          z.demand.reset();
                                          if (i > 0) z.demand = uses[static_cast<std::size_t>(i - 1)].demand;
                                          replace_zone(p, at, z);
                                      });
            });
        combo->setPlaceholderText(tr("as set"));
        combo->setToolTip(tr("A start for all of them: people, devices and what they do"));
    }

    QString sums() const {
        DemandFigures all;
        for (const DemandPlace& p : places())
            all += demand_figures(p, w_.project().demand, w_.project().demand.hour);
        return tr("%1 people, %2 clients, %3 Mbit/s down")
            .arg(render::figure(all.people), render::figure(all.clients), render::figure(all.down_mbps));
    }

    void number(const QString& row, const QString& object, const QString& unit, int decimals,
                const QString& label, double ZoneDemand::*member, Range range, double scale) const {
        form_
            .number_field(
                form_.row(row), object, unit, decimals,
                [s = *this, member, scale] {
                    return scale * s.shared([&](const ZoneDemand& d) { return d.*member; }).value_or(NAN);
                },
                [s = *this, member, scale, label](double v) {
                    s.change(label, [&](ZoneDemand& d) { d.*member = v / scale; });
                },
                range)
            ->setPlaceholderText(tr("differs"));
    }

    void presence() const {
        const auto& hours = w_.project().demand.hours;
        for (std::size_t i = 0; hours.size() > 1 && i < hours.size(); ++i)
            form_
                .number_field(
                    form_.row(QString::fromStdString(hours[i].name)), QString("severalHour%1").arg(i),
                    tr("% there"), 0,
                    [s = *this, key = hours[i].key] {
                        return 100 * s.shared([&](const ZoneDemand& d) {
                                          return d.presence_at(key);
                                      }).value_or(NAN);
                    },
                    [s = *this, key = hours[i].key](double v) {
                        s.change(tr("Change presence"), [&](ZoneDemand& d) { d.set_presence(key, v / 100); });
                    },
                    {100 * limits::presence.low, 100 * limits::presence.high, "%"})
                ->setPlaceholderText(tr("differs"));
    }

    void network() const {
        const auto& networks = *w_.project().demand.networks;
        if (networks.empty()) return;
        QStringList names{tr("Any")};
        for (const Network& n : networks) names << QString::fromStdString(n.name);
        auto* combo = form_.choice(
            form_.row(tr("Network")), "severalNetwork", names,
            [s = *this] {
                const auto key = s.shared([](const ZoneDemand& d) { return d.network; });
                if (!key) return -1;
                const auto& all = *s.w_.project().demand.networks;
                const Network* n = find_network(s.w_.project().demand, *key);
                return n ? static_cast<int>(n - all.data()) + 1 : 0;
            },
            [s = *this](int i) {
                const auto& all = *s.w_.project().demand.networks;
                const std::string key = i > 0 ? all[static_cast<std::size_t>(i - 1)].key : std::string();
                s.change(tr("Change network of clients"), [&](ZoneDemand& d) { d.network = key; });
            });
        combo->setPlaceholderText(tr("differs"));
    }

    Form& form_;
    Workspace& w_;
};

}  // namespace

void several_demand_rows(Form& form, Workspace& workspace) { SeveralDemand(form, workspace).build(); }

}  // namespace yemvo::app
