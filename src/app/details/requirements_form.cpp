#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QPushButton>
#include <algorithm>

#include "app/details/detail_forms.h"
#include "app/shell/theme.h"
#include "coverage/lens.h"
#include "project/edits.h"
#include "render/plan_marks.h"
#include "render/text_style.h"

namespace yemvo::app {
namespace {

class OutcomeLine : public QWidget {
public:
    OutcomeLine(Workspace& w, std::size_t index) : workspace_(w), index_(index) { setFixedHeight(36); }

protected:
    void paintEvent(QPaintEvent*) override {
        if (!workspace_.verdict() || index_ >= workspace_.verdict()->requirements.size()) return;
        const RequirementResult& r = workspace_.verdict()->requirements[index_];
        const Outcome o = outcome(r.share_met(), r.requirement.share_required);
        QPainter p(this);
        render::paint_outcome(p, QPointF(6, 10), o, theme());
        p.setPen(render::outcome_ink(o, theme()));
        p.setFont(render::font(12.5, 600));
        const QString share = render::percent(r.share_met());
        p.drawText(QRectF(18, 0, width() - 18, 20), Qt::AlignVCenter,
                   share + " of " + render::percent(r.requirement.share_required, 0) + " required");
        p.setFont(render::font(11.5));
        p.setPen(theme().muted);
        QString floors;
        for (const FloorResult& f : r.floors)
            floors += (floors.isEmpty() ? "" : ", ") +
                      QString::fromStdString(find_floor(workspace_.project(), f.floor)->name) + " " +
                      render::percent(f.share_met(), 0);
        p.drawText(QRectF(0, 19, width(), 16), Qt::AlignVCenter,
                   QFontMetricsF(p.font()).elidedText(floors, Qt::ElideRight, width()));
        setToolTip(floors);
    }

private:
    Workspace& workspace_;
    std::size_t index_;
};

void change(Workspace& w, std::size_t index, const std::function<void(Requirement&)>& how) {
    w.edit("Change requirement", [&](Project& p) {
        auto list = *p.requirements;
        Requirement& r = list[index];
        how(r);
        r.name = lens(*find_lens(r.lens)).name + ", " + bands_text(r.bands);
        if (r.zones.size() == 1)
            for (const Floor* f : all_floors(p))
                if (const Zone* z = find_zone(*f, r.zones.front())) r.name += ", " + z->name;
        set_requirements(p, std::move(list));
    });
}

/// A row that chooses one zone, or every served one.
void add_where(Form* form, Workspace& w, std::size_t index, const std::function<const Requirement&()>& get) {
    QStringList names{"Every served zone"};
    std::vector<ZoneId> ids{{}};
    for (const Floor* f : all_floors(w.project()))
        for (const Zone& z : *f->zones)
            if (z.kind == ZoneKind::served || z.kind == ZoneKind::keep_out) {
                names << QString::fromStdString(z.name + ", " + f->name);
                ids.push_back(z.id);
            }
    form->choice(
        form->row("Where"), "requirementWhere" + QString::number(index), names,
        [get, ids] {
            if (get().zones.empty()) return 0;
            const auto found = std::find(ids.begin(), ids.end(), get().zones.front());
            return get().zones.size() > 1 || found == ids.end() ? -1 : static_cast<int>(found - ids.begin());
        },
        [&w, index, ids](int i) {
            change(w, index, [&](Requirement& r) {
                r.zones.clear();
                if (i > 0) r.zones.push_back(ids[static_cast<std::size_t>(i)]);
            });
        });
}

void add_requirement_rows(Form* form, Workspace& w, std::size_t index) {
    const auto get = [&w, index]() -> const Requirement& { return (*w.project().requirements)[index]; };
    const QString tail = QString::number(index);
    form->group(QString::fromStdString(get().name));
    auto* line = new OutcomeLine(w, index);
    form->widget(line);
    form->on_refresh([line] { line->update(); });
    QStringList names;
    std::vector<const LensInfo*> amounts;
    for (const LensInfo& info : lenses())
        if (!info.is_choice() && info.id != LensId::outside) {
            names << QString::fromStdString(info.name);
            amounts.push_back(&info);
        }
    auto* row = form->row("Quantity");
    form->choice(
        row, "requirementLens" + tail, names,
        [get, amounts] {
            for (std::size_t i = 0; i < amounts.size(); ++i)
                if (amounts[i]->key == get().lens) return static_cast<int>(i);
            return -1;
        },
        [&w, index, amounts](int i) {
            change(w, index, [&](Requirement& r) {
                r.lens = amounts[static_cast<std::size_t>(i)]->key;
                r.limit = amounts[static_cast<std::size_t>(i)]->limit;
            });
        });
    row = form->row("Band");
    QStringList band_list;
    for (const Band& b : bands()) band_list << QString::fromStdString(b.name) + " GHz";
    form->choice(
        row, "requirementBand" + tail, band_list, [get] { return get().bands.single() ? int{get().bands.first().index} : -1; },
        [&w, index](int i) {
            change(w, index, [&](Requirement& r) { r.bands = bands()[static_cast<std::size_t>(i)].id; });
        });
    auto* remove = new QPushButton("Remove");
    row->addWidget(remove);
    row = form->row("At least");
    form->number_field(
        row, "requirementLimit" + tail, QString::fromStdString(lens(*find_lens(get().lens)).unit), 0,
        [get] { return get().limit; },
        [&w, index](double v) { change(w, index, [&](Requirement& r) { r.limit = v; }); }, -150, 100);
    form->number_field(
        row, "requirementShare" + tail, "% of area", 0, [get] { return 100 * get().share_required; },
        [&w, index](double v) { change(w, index, [&](Requirement& r) { r.share_required = v / 100; }); }, 0,
        100);
    add_where(form, w, index, get);
    QObject::connect(remove, &QPushButton::clicked, form, [&w, index] {
        w.edit("Remove requirement", [&](Project& p) {
            auto list = *p.requirements;
            list.erase(list.begin() + static_cast<std::ptrdiff_t>(index));
            set_requirements(p, std::move(list));
        });
    });
}

}  // namespace

Form* requirements_form(Workspace& w, QWidget* parent) {
    auto* form = new Form(w, parent);
    auto* title = new QLabel("Requirements");
    title->setObjectName("title");
    form->widget(title);
    form->note("Each must hold on its share of the served area.");
    for (std::size_t i = 0; i < w.project().requirements->size(); ++i) add_requirement_rows(form, w, i);
    auto* add = new QPushButton("Add a requirement");
    add->setObjectName("addRequirement");
    QObject::connect(add, &QPushButton::clicked, form, [&w] {
        w.edit("Add requirement", [&](Project& p) {
            auto list = *p.requirements;
            list.push_back({new_id<RequirementId>(p), "Signal, 5 GHz", "signal", band_5, -67, 0.95, {}});
            set_requirements(p, std::move(list));
        });
    });
    form->widget(add);
    form->stretch();
    return form;
}

}  // namespace yemvo::app
