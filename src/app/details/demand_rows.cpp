// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/details/demand_rows.h"

#include <QComboBox>
#include <QPushButton>

#include "app/forms/form_parts.h"
#include "app/model/results.h"
#include "capacity/site_capacity.h"
#include "project/demand_place.h"
#include "project/edits.h"
#include "project/library.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr double whole = 100;

Range percent_range(Range shares) { return {whole * shares.low, whole * shares.high, "%"}; }

/// Parts of one are told where there are few.
QString few(double n) { return render::figure(n, n < 10 && n != std::round(n) ? 1 : 0); }

const std::vector<ZoneUse>& uses() {
    static const std::vector<ZoneUse> all = standard_uses();
    return all;
}

QStringList ways_to_count() {
    return {tr("People counted"), tr("Seats"), tr("People a m²"), tr("Occupancy limit")};
}

/// A mix of a zone, and what it may be made of.
struct MixRows {
    Mix ZoneDemand::*mix;
    QString title, object, add, edit;
    std::vector<std::pair<std::string, QString>> known;  ///< key and name
};

class DemandRows {
public:
    DemandRows(Form& form, Workspace& workspace, const Item& item)
        : form_(form), w_(workspace), item_(item) {}

    void build() {
        form_.group(is_row() ? tr("What they are") : tr("Who is here"));
        is_row() ? device() : use();
        form_.built_for([rows = *this] { return rows.shape(); });
        if (!told()) {
            form_.note(
                tr("Nobody, as far as the plan knows. Choose a use to begin with; its figures can be "
                   "changed."));
            return;
        }
        is_row() ? count() : occupancy();
        hours();
        mix({&ZoneDemand::profiles, tr("Client profiles"), "profile", tr("Add a profile…"),
             tr("Change mix of client profiles"), profiles()});
        mix({&ZoneDemand::applications, tr("Applications"), "application", tr("Add an application…"),
             tr("Change mix of applications"), applications()});
        totals();
        limits_and_network();
    }

private:
    bool is_row() const { return item_.kind == ItemKind::device_row; }
    DemandPlace place() const {
        return is_row() ? DemandPlace{nullptr, find_device_row(*w_.floor(), DeviceRowId{item_.id})}
                        : DemandPlace{find_zone(*w_.floor(), ZoneId{item_.id}), nullptr};
    }
    bool told() const { return is_row() || place().zone->demand; }
    ZoneDemand demand() const { return place().demand(); }
    double size_m2() const { return place().size_m2(); }
    const std::string& hour() const { return w_.project().demand.hour; }

    /// What decides which rows there are.
    QString shape() const {
        if (!told()) return "none";
        QString words = QString::number(static_cast<int>(demand().by));
        const ZoneDemand now = demand();
        for (const MixPart& p : now.profiles) words += " p:" + QString::fromStdString(p.key);
        for (const MixPart& p : now.applications) words += " a:" + QString::fromStdString(p.key);
        for (const BusyHour& h : w_.project().demand.hours)
            words += " h:" + QString::fromStdString(h.key + h.name);
        for (const Network& n : *w_.project().demand.networks)
            words += " n:" + QString::fromStdString(n.key + n.name);
        return words;
    }

    void change_demand(const QString& label, const std::function<void(ZoneDemand&)>& how) const {
        w_.edit(label, [&, at = w_.floor_id()](Project& p) { yemvo::change_demand(p, at, item_, how); });
    }

    /// What a row's devices are and do; how many, when and on which network stays.
    void device() const {
        static const std::vector<ZoneUse> kinds = standard_devices();
        QStringList names{tr("As set below")};
        for (const ZoneUse& k : kinds) names << tr_mark(k.name);
        form_.choice(
            form_.row(tr("Kind")), "deviceKind", names, [] { return 0; },
            [rows = *this](int i) {
                if (i == 0) return;
                const ZoneDemand& kind = kinds[static_cast<std::size_t>(i - 1)].demand;
                rows.change_demand(tr("Change kind of fixed devices"), [&](ZoneDemand& d) {
                    d.profiles = kind.profiles;
                    d.applications = kind.applications;
                });
            });
    }
    void count() const {
        number(form_.row(tr("How many")), "demandAmount", {}, 0, tr("Change number of devices"),
               &ZoneDemand::amount, limits::people);
        number(form_.row(tr("On the air")), "demandConnected", tr("% of them"), 0,
               tr("Change share connected"), &ZoneDemand::connected, percent_range(limits::share), whole);
        number(form_.row(tr("Growth")), "demandGrowth", "%", 0, tr("Change growth"), &ZoneDemand::growth,
               percent_range(limits::growth), whole);
    }

    void use() const {
        QStringList names{tr("Nobody"), tr("As set below")};
        for (const ZoneUse& u : uses()) names << tr_mark(u.name);
        auto* combo = form_.choice(
            form_.row(tr("Use")), "zoneUse", names, [rows = *this] { return rows.told() ? 1 : 0; },
            [rows = *this](int i) { rows.take_use(i); });
        combo->setToolTip(tr("A start: people, devices and what they do, as is usual in such rooms"));
    }
    void take_use(int i) const {
        if (i == 1) return;
        change_thing(
            w_, tr("Change use of the zone"),
            [id = ZoneId{item_.id}](Project&, const Floor& f) { return find_zone(f, id); },
            [](Project& p, FloorId at, const Zone& z) { replace_zone(p, at, z); },
            [&](Zone& z) {
                if (i == 0)
                    z.demand.reset();
                else
                    z.demand = uses()[static_cast<std::size_t>(i - 2)].demand;
            });
    }

    void number(QHBoxLayout* row, const QString& object, const QString& unit, int decimals,
                const QString& label, double ZoneDemand::*member, Range range, double scale = 1) const {
        form_.number_field(
            row, object, unit, decimals,
            [rows = *this, member, scale] { return scale * rows.demand().*member; },
            [rows = *this, member, scale, label](double v) {
                rows.change_demand(label, [&](ZoneDemand& d) { d.*member = v / scale; });
            },
            range);
    }

    void occupancy() const {
        form_.choice(
            form_.row(tr("Told by")), "demandBy", ways_to_count(),
            [rows = *this] { return static_cast<int>(rows.demand().by); },
            [rows = *this](int i) {
                rows.change_demand(tr("Change how people are counted"), [&](ZoneDemand& d) {
                    const double now = people(d, rows.size_m2(), "");
                    d.by = static_cast<PeopleBy>(i);
                    if (d.by == PeopleBy::density)
                        d.amount = rows.size_m2() > 0
                                       ? std::min(now / rows.size_m2(), limits::people_per_m2.high)
                                       : 0;
                    else
                        d.amount = d.taken > 0 && d.by != PeopleBy::count ? std::round(now / d.taken)
                                                                          : std::round(now);
                });
            });
        const PeopleBy by = demand().by;
        const QString label = tr("Change people");
        auto* row = form_.row(by == PeopleBy::seats       ? tr("Seats")
                              : by == PeopleBy::density   ? tr("Density")
                              : by == PeopleBy::occupancy ? tr("At most")
                                                          : tr("People"));
        if (by == PeopleBy::density)
            number(row, "demandAmount", tr("a m²"), 3, label, &ZoneDemand::amount, limits::people_per_m2);
        else
            number(row, "demandAmount", {}, 0, label, &ZoneDemand::amount, limits::people);
        if (by == PeopleBy::seats || by == PeopleBy::occupancy)
            number(form_.row(tr("Taken")), "demandTaken", "%", 0, label, &ZoneDemand::taken,
                   percent_range(limits::share), whole);
        number(form_.row(tr("Devices")), "demandDevices", tr("a head"), 2, tr("Change devices a head"),
               &ZoneDemand::devices, limits::devices_a_head);
        number(form_.row(tr("On the air")), "demandConnected", tr("% of them"), 0,
               tr("Change share connected"), &ZoneDemand::connected, percent_range(limits::share), whole);
        number(form_.row(tr("Growth")), "demandGrowth", "%", 0, tr("Change growth"), &ZoneDemand::growth,
               percent_range(limits::growth), whole);
    }

    void hours() const {
        const auto& all = w_.project().demand.hours;
        if (all.size() < 2) return;
        for (std::size_t i = 0; i < all.size(); ++i)
            form_.number_field(
                form_.row(QString::fromStdString(all[i].name)), QString("demandHour%1").arg(i), tr("% there"),
                0, [rows = *this, key = all[i].key] { return whole * rows.demand().presence_at(key); },
                [rows = *this, key = all[i].key](double v) {
                    rows.change_demand(tr("Change presence"),
                                       [&](ZoneDemand& d) { d.set_presence(key, v / whole); });
                },
                percent_range(limits::presence));
    }

    std::vector<std::pair<std::string, QString>> profiles() const {
        std::vector<std::pair<std::string, QString>> known;
        for (const ClientProfile& c : *w_.project().clients)
            known.emplace_back(c.key, QString::fromStdString(c.name));
        return known;
    }
    std::vector<std::pair<std::string, QString>> applications() const {
        std::vector<std::pair<std::string, QString>> known;
        for (const Application& a : *w_.project().demand.applications)
            known.emplace_back(a.key, QString::fromStdString(a.name));
        return known;
    }

    void mix(const MixRows& m) const {
        form_.group(m.title);
        const Mix parts = demand().*m.mix;
        for (std::size_t i = 0; i < parts.size(); ++i) {
            const std::string key = parts[i].key;
            const auto at = std::ranges::find_if(m.known, [&](const auto& k) { return k.first == key; });
            const QString name = at == m.known.end()
                                     ? tr("%1 (not in the project)").arg(QString::fromStdString(key))
                                     : at->second;
            auto* field = form_.number_field(
                form_.row(name), QString("%1Share%2").arg(m.object).arg(i), "%", 0,
                [rows = *this, mix = m.mix, key] { return rows.share_shown(rows.demand().*mix, key); },
                [rows = *this, mix = m.mix, key, label = m.edit](double v) {
                    rows.change_demand(label, [&](ZoneDemand& d) { set_share(d.*mix, key, v / whole); });
                },
                {0, 100, "%"});
            field->setToolTip(tr("0 takes it out of the mix"));
        }
        QStringList more{m.add};
        std::vector<std::string> keys;
        for (const auto& [key, name] : m.known)
            if (std::ranges::none_of(parts, [&](const MixPart& p) { return p.key == key; })) {
                more << name;
                keys.push_back(key);
            }
        form_.choice(
            form_.row({}), m.object + "Add", more, [] { return 0; },
            [rows = *this, mix = m.mix, keys, label = m.edit](int i) {
                if (i == 0) return;
                rows.change_demand(label, [&](ZoneDemand& d) {
                    const double all = sum(d.*mix);
                    (d.*mix).push_back({keys[static_cast<std::size_t>(i - 1)], all > 0 ? 0.1 * all : 1});
                });
            });
        auto* told =
            form_.text({}, [rows = *this, mix = m.mix] { return rows.about_mix(rows.demand().*mix); });
        told->setObjectName("muted");
        form_.on_refresh([told] { told->setVisible(!told->text().isEmpty()); });
    }
    double share_shown(const Mix& mix, const std::string& key) const {
        for (const MixPart& p : mix)
            if (p.key == key) return whole * p.share;
        return 0;
    }
    static void set_share(Mix& mix, const std::string& key, double share) {
        if (share <= 0) {
            std::erase_if(mix, [&](const MixPart& p) { return p.key == key; });
            return;
        }
        for (MixPart& p : mix)
            if (p.key == key) p.share = share;
    }
    QString about_mix(const Mix& mix) const {
        const double all = sum(mix);
        if (mix.empty() || all <= 0) return tr("Adds to nothing: nobody asks for anything.");
        if (std::abs(all - 1) < 0.0051) return {};
        return tr("Adds to %1: each counts as its part of that.").arg(render::percent(all, 0));
    }

    DemandFigures figures() const { return demand_figures(place(), w_.project().demand, hour()); }
    void totals() const {
        form_.group(tr("At the busy hour"));
        form_.text(tr("Who"), [rows = *this] {
            const DemandFigures f = rows.figures();
            if (rows.is_row()) return tr("%1 clients").arg(few(f.clients));
            return tr("%1 people, %2 clients").arg(few(f.people), few(f.clients));
        });
        form_.text(tr("They ask"), [rows = *this] {
            const DemandFigures f = rows.figures();
            return tr("%1 Mbit/s down, %2 up")
                .arg(render::figure(f.down_mbps, 1), render::figure(f.up_mbps, 1));
        });
        form_.text(tr("Each"), [rows = *this] {
            const Traffic t = traffic(rows.demand(), rows.w_.project().demand);
            return tr("%1 Mbit/s down, %2 up")
                .arg(render::figure(t.down_mbps, 2), render::figure(t.up_mbps, 2));
        });
        form_.text(tr("Carried"), [rows = *this] { return rows.carried(); });
    }
    QString carried() const {
        const auto* site = w_.results().find<SiteCapacity>();
        const HourCapacity* h = site ? site->find(hour()) : nullptr;
        const ZoneCapacity* z = !h         ? nullptr
                                : is_row() ? h->find(DeviceRowId{item_.id})
                                           : h->find(ZoneId{item_.id});
        if (!z) return tr("not worked out");
        if (z->clients <= 0) return is_row() ? tr("none is on then") : tr("nobody is here then");
        if (z->not_reached >= z->clients - 1e-6) return tr("nobody is served");
        return tr("%1 of the clients get what they need").arg(render::percent(z->satisfied_share(), 0));
    }

    void limits_and_network() const {
        form_.group(tr("Limits"));
        number(form_.row(tr("Each down")), "demandLimitDown", "Mbit/s", 1, tr("Change limit for each client"),
               &ZoneDemand::limit_down_mbps, limits::demand_mbps);
        number(form_.row(tr("Each up")), "demandLimitUp", "Mbit/s", 1, tr("Change limit for each client"),
               &ZoneDemand::limit_up_mbps, limits::demand_mbps);
        form_.note(tr("0: no limit"));
        QStringList names{tr("Any")};
        for (const Network& n : *w_.project().demand.networks) names << QString::fromStdString(n.name);
        form_.choice(
            form_.row(tr("Network")), "demandNetwork", names,
            [rows = *this] {
                const auto& all = *rows.w_.project().demand.networks;
                const Network* n = find_network(rows.w_.project().demand, rows.demand().network);
                return n ? static_cast<int>(n - all.data()) + 1 : 0;
            },
            [rows = *this](int i) {
                const auto& all = *rows.w_.project().demand.networks;
                const std::string key = i > 0 ? all[static_cast<std::size_t>(i - 1)].key : std::string();
                rows.change_demand(tr("Change network of clients"), [&](ZoneDemand& d) { d.network = key; });
            });
    }

    Form& form_;
    Workspace& w_;
    Item item_;
};

}  // namespace

void demand_rows(Form& form, Workspace& workspace, const Item& item) {
    DemandRows(form, workspace, item).build();
}

}  // namespace yemvo::app
