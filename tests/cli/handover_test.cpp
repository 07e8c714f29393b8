// SPDX-License-Identifier: GPL-3.0-or-later
// report, export and import on the command line; what they write is read back by programs that others wrote.
#include <cstdio>
#include <filesystem>
#include <fstream>

#include "base/number_text.h"
#include "cabling/cable_plan.h"
#include "cli/run.h"
#include "core/support.h"
#include "demo/demo.h"
#include "project/edits.h"
#include "project/storage.h"
#include "test_data.h"

using yemvo::test::Answer;
using yemvo::test::run;
using namespace yemvo;
namespace fs = std::filesystem;

namespace {

nlohmann::json read_back(const std::string& words) {
    const std::string command = "/usr/bin/python3 " + test::test_data() + "/../read_back.py " + words;
    FILE* pipe = ::popen(command.c_str(), "r");
    REQUIRE(pipe);
    std::string out;
    char part[4096];
    for (std::size_t n; (n = std::fread(part, 1, sizeof part, pipe)) > 0;) out.append(part, n);
    REQUIRE(::pclose(pipe) == 0);
    return nlohmann::json::parse(out);
}

std::string demo_file(const test::TemporaryFolder& folder) {
    const std::string path = (folder / "demo.yemvo").string();
    save_project(demo::make_demo(), path);
    return path;
}

/// A room of 40 by 20 m, wall middle to wall middle.
Project room() {
    Project p = test::one_floor();
    test::wall(p, "concrete-250", {{0, 0}, {40, 0}, {40, 20}, {0, 20}, {0, 0}});
    add_access_point(p, test::floor_at(p, 0), p.models->front().id, {10, 17});
    return p;
}

std::string saved(const test::TemporaryFolder& folder, const Project& p) {
    const std::string path = (folder / "room.yemvo").string();
    save_project(p, path);
    return path;
}

std::string file_bytes(const fs::path& file) {
    std::ifstream in(file, std::ios::binary);
    return {std::istreambuf_iterator<char>(in), {}};
}

}  // namespace

TEST_CASE("a plan of 1 : 200 measures so on paper") {
    const test::TemporaryFolder folder;
    const std::string out = (folder / "plan.pdf").string();
    const Answer answer =
        run({"report", saved(folder, room()), "--out", out, "--sections", "plans", "--scale", "200"});
    INFO(answer.err);
    REQUIRE(answer.code == 0);
    const nlohmann::json sizes = read_back("pdf " + out)["sizes_mm"];
    REQUIRE(sizes.size() == 1);
    CHECK(sizes[0][0].get<double>() == Approx(420).margin(0.3));
    // frame, wall, wall, frame
    const nlohmann::json middles = read_back("line " + out + " 1 0.4");
    REQUIRE(middles.size() == 4);
    const double measured = middles[2].get<double>() - middles[1].get<double>();
    CHECK(measured == Approx(200).margin(0.002 * 200));
}

TEST_CASE("a plan too large for its paper goes on several sheets, each to scale") {
    const test::TemporaryFolder folder;
    const std::string out = (folder / "plan.pdf").string();
    REQUIRE(run({"report", saved(folder, room()), "--out", out, "--sections", "plans", "--scale", "50",
                 "--sheet", "A4"})
                .code == 0);
    const nlohmann::json found = read_back("pdf " + out);
    CHECK(found["pages"].size() >= 12);
    CHECK_THAT(found["pages"][0].get<std::string>(),
               Catch::Contains("part 1 of") && Catch::Contains("1 : 50"));
}

TEST_CASE(
    "the demo's report is found word for word, with its fonts, and its figures are those of the verdict") {
    const test::TemporaryFolder folder;
    const std::string file = demo_file(folder), out = (folder / "plan.pdf").string();
    const Answer answer = run({"report", file, "--out", out, "--sections",
                               "cover,words,summary,radios,findings,cables,bill,walk,labels"});
    INFO(answer.err);
    REQUIRE(answer.code == 0);
    const nlohmann::json found = read_back("pdf " + out);
    std::string all;
    for (const auto& page : found["pages"]) {
        all += page.get<std::string>();
        CHECK(page.get<std::string>().size() > 100);  // none is empty
    }
    for (const auto& embedded : found["fonts_embedded"]) CHECK(embedded == true);
    const nlohmann::json verdict = run({"verdict", file, "--json"}).value();
    for (const auto& r : verdict["requirements"]) {
        if (r["share_met"].is_null()) continue;
        CHECK_THAT(all, Catch::Contains(format_percent(r["share_met"].get<double>(), 1)));
    }
    for (const char* words : {"Larkfield Library Trust", "Radio schedule", "LK-029", "TR-2-1",
                              "Bill of materials", "Contents", "co-channel", "Tri-band"})
        CHECK_THAT(all, Catch::Contains(words, Catch::CaseSensitive::No));
    // a hyphen that is printed is a hyphen that is found
    CHECK_THAT(all, Catch::Contains("LK-001"));
}

TEST_CASE("a report as HTML needs nothing from elsewhere, one as OpenDocument opens as an archive") {
    const test::TemporaryFolder folder;
    const std::string file = saved(folder, room());
    const std::string html = (folder / "plan.html").string(), odt = (folder / "plan.odt").string();
    REQUIRE(run({"report", file, "--out", html}).code == 0);
    REQUIRE(run({"report", file, "--out", odt}).code == 0);
    const std::string text = file_bytes(html);
    CHECK_THAT(text, Catch::Contains("data:image/png;base64,") && Catch::Contains("Test"));
    CHECK(text.find("http://") == std::string::npos);
    CHECK(text.find("https://") == std::string::npos);
    CHECK(file_bytes(odt).substr(0, 2) == "PK");
    CHECK_THAT(file_bytes(odt), Catch::Contains("opendocument.text"));
}

TEST_CASE("a report that cannot be made leaves the good one as it was") {
    const test::TemporaryFolder folder;
    const std::string out = (folder / "plan.pdf").string();
    const std::string file = saved(folder, room());
    REQUIRE(run({"report", file, "--out", out, "--sections", "cover"}).code == 0);
    const std::string before = file_bytes(out);
    Project broken = room();
    broken.assets["logo.png"] = Shared<Bytes>(Bytes{std::byte{1}, std::byte{2}});
    broken.handover.report.logo = "logo.png";
    const std::string bad = (folder / "bad.yemvo").string();
    save_project(broken, bad);
    Answer answer = run({"report", bad, "--out", out});
    CHECK(answer.code != 0);
    CHECK_THAT(answer.err, Catch::Contains("logo.png") && Catch::Contains("no picture"));
    CHECK(file_bytes(out) == before);
    answer = run({"report", file, "--out", (folder / "nowhere" / "plan.pdf").string()});
    CHECK(answer.code != 0);
    CHECK_THAT(answer.err, Catch::Contains("nowhere"));
    answer = run({"report", file, "--out", (folder / "plan.docx").string()});
    CHECK(answer.code != 0);
    CHECK_THAT(answer.err, Catch::Contains(".pdf"));
    CHECK(run({"report", file, "--out", out, "--sections", "poetry"}).code != 0);
}

TEST_CASE("a floor on a drawing without a scale is named before a plan of it is drawn") {
    const test::TemporaryFolder folder;
    Project p = demo::make_demo();
    FloorId floor = all_floors(p)[1]->id;
    for (Building& b : p.buildings)
        for (Floor& f : b.floors)
            if (f.id == floor)
                for (Drawing& d : f.drawings.edit()) d.scale_by = ScaleBy::none;
    const std::string out = (folder / "plan.pdf").string();
    const Answer answer = run({"report", saved(folder, p), "--out", out});
    CHECK(answer.code != 0);
    CHECK_THAT(answer.err, Catch::Contains("Ground floor") && Catch::Contains("without a scale"));
    CHECK_FALSE(fs::exists(out));
}

TEST_CASE("DXF read by another program has every access point within a millimetre") {
    const test::TemporaryFolder folder;
    const std::string file = demo_file(folder);
    const Answer answer = run({"export", file, "--out", (folder / "out").string(), "--kind", "dxf,geojson"});
    INFO(answer.err);
    REQUIRE(answer.code == 0);
    const Project p = demo::make_demo();
    const Floor& first = *find_floor(p, "First floor");
    const nlohmann::json found = read_back("dxf " + (folder / "out" / "library-first-floor.dxf").string());
    CHECK(found["faults"].empty());
    CHECK(found["units"] == 6);
    REQUIRE(found["blocks"].size() == access_points(p, first.id).size());
    for (std::size_t i = 0; i < found["blocks"].size(); ++i) {
        const AccessPoint& ap = access_points(p, first.id)[i];
        const nlohmann::json& block = found["blocks"][i];
        CHECK(block["name"] == ap.name);
        CHECK(block["x"].get<double>() == Approx(ap.position.x).margin(0.001));
        CHECK(block["y"].get<double>() == Approx(ap.position.y).margin(0.001));
        CHECK(block["z"].get<double>() == Approx(ap.height_m).margin(0.001));
        CHECK(block["model"] == model(p, ap.model).name);
    }
    CHECK(found["walls"].size() == first.walls->size());
    CHECK(read_back("geojson " + (folder / "out" / "site.geojson").string())["faults"].empty());
}

TEST_CASE("a spreadsheet read by another program has formulas, and their sums are ours") {
    const test::TemporaryFolder folder;
    const std::string out = (folder / "tables.xlsx").string();
    REQUIRE(run({"export", demo_file(folder), "--out", out, "--kind", "xlsx"}).code == 0);
    const nlohmann::json sheets = read_back("xlsx " + out);
    const nlohmann::json& bill = sheets["Bill of materials"];
    const std::string total = bill["rows"].back().back().get<std::string>();
    CHECK_THAT(total, Catch::StartsWith("=SUM(F2:F"));
    double sum = 0;
    for (const auto& row : bill["rows"])
        if (row[2].is_number() && row[4].is_number()) sum += row[2].get<double>() * row[4].get<double>();
    CHECK(sum > 0);
    CHECK(bill["values"].back().back().get<double>() == Approx(sum));
    CHECK(sheets["Cables"]["head"][9] == "Link (m)");
    // and as a spreadsheet program computes them from the formulas alone
    const nlohmann::json computed = read_back("calc " + out);
    CHECK(computed["Bill of materials"].back().back().get<double>() == Approx(sum));
    double metres = 0;
    const nlohmann::json& cables = computed["Cables"];
    for (std::size_t i = 1; i + 1 < cables.size(); ++i)
        if (cables[i][10].is_number()) metres += cables[i][10].get<double>();
    CHECK(cables.back()[10].get<double>() == Approx(metres));
    CHECK(metres == Approx(plan_cables(demo::make_demo()).cable_m));
}

TEST_CASE("export into a folder that may not be written says so before anything is worked out") {
    const test::TemporaryFolder folder;
    const std::string file = saved(folder, room());
    std::ofstream(folder / "taken") << "a file";
    const Answer answer = run({"export", file, "--out", (folder / "taken").string()});
    CHECK(answer.code != 0);
    CHECK_THAT(answer.err, Catch::Contains("taken"));
}

TEST_CASE("import tells what a list would change, and takes it over only when asked") {
    const test::TemporaryFolder folder;
    const std::string file = saved(folder, room()), list = (folder / "hung.csv").string();
    std::ofstream(list) << "name,x_m,y_m,serial\n1,12,17,MU-7\n";
    Answer answer = run({"import", file, list, "--json"});
    INFO(answer.err);
    REQUIRE(answer.code == 0);
    CHECK(answer.value()["changed"] == 1);
    CHECK(answer.value()["access_points"][0]["changes"][0] == "moved by 2.00 m");
    CHECK(load_project(file).project == load_project(saved(folder, room())).project);
    const std::string out = (folder / "after.yemvo").string();
    REQUIRE(run({"import", file, list, "--out", out}).code == 0);
    const Project after = load_project(out).project;
    CHECK(placed_access_points(after)[0].access_point->on_site.serial == "MU-7");
    std::ofstream(list) << "name,model\n1,no-such\n";
    answer = run({"import", file, list});
    CHECK(answer.code != 0);
    CHECK_THAT(answer.err, Catch::Contains("line 2") && Catch::Contains("no-such"));
}

TEST_CASE("an empty project, a yard and a turned building make a report too") {
    const test::TemporaryFolder folder;
    const std::string out = (folder / "plan.pdf").string();
    Project empty = test::one_floor();
    Project yard = test::one_floor();
    yard.buildings[0].kind = BuildingKind::yard;
    add_access_point(yard, test::floor_at(yard, 0), yard.models->front().id, {1000, -2000});
    Project turned = test::one_floor();
    // an L that lies at 33 degrees, with a wall by itself far off
    std::vector<Point> corners{{0, 0}, {30, 0}, {30, 10}, {12, 10}, {12, 25}, {0, 25}, {0, 0}};
    for (Point& p : corners) p = {0.8387 * p.x - 0.5446 * p.y, 0.5446 * p.x + 0.8387 * p.y};
    test::wall(turned, "brick-half", corners);
    test::wall(turned, "brick-half", {{-80, 90}, {-70, 90}});
    add_access_point(turned, test::floor_at(turned, 0), turned.models->front().id, {4, 8});
    const std::string all =
        "cover,words,summary,assumptions,plans,maps,heights,radios,spectrum,capacity,findings,cables,bill,"
        "walk,sheets,labels";
    for (const Project& p : {empty, yard, turned}) {
        const Answer answer = run({"report", saved(folder, p), "--out", out, "--sections", all});
        INFO(answer.err);
        REQUIRE(answer.code == 0);
        const nlohmann::json found = read_back("pdf " + out);
        CHECK(found["pages"].size() >= 4);
        for (const auto& page : found["pages"]) CHECK(page.get<std::string>().size() > 20);
    }
    const Answer exported = run({"export", saved(folder, empty), "--out", (folder / "all").string()});
    INFO(exported.err);
    CHECK(exported.code == 0);
}

TEST_CASE("a name that is long, strange or in another script is printed and found, and makes no path") {
    const test::TemporaryFolder folder;
    Project p = room();
    p.name = "../../" + std::string(300, 'x') + " <b>&</b> Größe Ωmega";
    p.buildings[0].floors[0].name = "a/b\\c <script>alert(1)</script>";
    AccessPoint ap = access_points(p, test::floor_at(p, 0))[0];
    ap.name = "AP \"1\" </script> é";
    replace_access_point(p, test::floor_at(p, 0), ap);
    const std::string file = saved(folder, p), out = (folder / "out").string();
    const Answer answer = run({"export", file, "--out", out});
    INFO(answer.err);
    REQUIRE(answer.code == 0);
    for (const auto& entry : fs::directory_iterator(folder / "out"))
        CHECK(entry.path().filename().string().find("..") == std::string::npos);
    const std::string page = file_bytes(folder / "out" / "plan.html");
    CHECK(page.find("</script> é") == std::string::npos);
    CHECK(page.find("<script>alert") == std::string::npos);
    const nlohmann::json dxf =
        read_back("dxf " + (folder / "out" / "a-b-c-script-alert-1-script.dxf").string());
    CHECK(dxf["blocks"][0]["name"] == ap.name);
    const std::string pdf = (folder / "plan.pdf").string();
    REQUIRE(run({"report", file, "--out", pdf, "--sections", "cover,radios,sheets,labels"}).code == 0);
    std::string text;
    const nlohmann::json printed = read_back("pdf " + pdf);
    for (const auto& words : printed["pages"]) text += words.get<std::string>();
    CHECK_THAT(text, Catch::Contains("AP \"1\" </script> é"));
    const std::string html = (folder / "plan2.html").string();
    REQUIRE(run({"report", file, "--out", html, "--sections", "cover,radios"}).code == 0);
    CHECK(file_bytes(html).find("<script>") == std::string::npos);
}
