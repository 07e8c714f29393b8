// SPDX-License-Identifier: GPL-3.0-or-later
#include <nlohmann/json.hpp>

#include "core/support.h"
#include "project/json_reader.h"

using namespace yemvo;

namespace {

const Json sample =
    Json::parse(R"({"number": 2.5, "whole": 3, "text": "abc", "list": [1, 2], "yes": true, "none": null})");
Reader reader() { return Reader(sample, "file: "); }

}  // namespace

TEST_CASE("what is asked for in the right kind is given") {
    CHECK(reader().at("number").number() == 2.5);
    CHECK(reader().at("whole").integer() == 3);
    CHECK(reader().at("text").text() == "abc");
    CHECK(reader().at("list").items().size() == 2);
    CHECK(reader().at("yes").boolean());
    CHECK_FALSE(reader().find("none"));
    CHECK_FALSE(reader().find("nothing"));
}

TEST_CASE("every wrong kind is refused with the place") {
    CHECK_THROWS_WITH(reader().at("nothing"), Catch::Contains("'nothing' is missing"));
    CHECK_THROWS_WITH(reader().at("text").number(),
                      Catch::Contains("file: text") && Catch::Contains("number"));
    CHECK_THROWS_WITH(reader().at("number").integer(), Catch::Contains("whole"));
    CHECK_THROWS_WITH(reader().at("number").text(), Catch::Contains("text"));
    CHECK_THROWS_WITH(reader().at("text").text({2}), Catch::Contains("longer"));
    CHECK_THROWS_WITH(reader().at("text").items(), Catch::Contains("list"));
    CHECK_THROWS_WITH(reader().at("list").items(1), Catch::Contains("more than 1"));
    CHECK_THROWS_WITH(reader().at("list").at("x"), Catch::Contains("object"));
    CHECK_THROWS_WITH(reader().at("whole").boolean(), Catch::Contains("true or false"));
    CHECK_THROWS_WITH(reader().at("list").items()[1].text(), Catch::Contains("list[1]"));
    CHECK_THROWS_AS(reader().at("number").id_value(), Error);
}

TEST_CASE("an archive gives back what was put in, by name, and the same bytes each time") {
    const yemvo::test::TemporaryFolder folder;
    const Bytes a(100'000, std::byte{7}), b{std::byte{1}, std::byte{2}}, none;
    for (const char* name : {"one.zip", "two.zip"})
        yemvo::test::write_archive(folder / name, {{"a", &a}, {"assets/b", &b}, {"empty", &none}});
    const ArchiveReader archive(folder / "one.zip");
    CHECK(archive.names().size() == 3);
    CHECK(archive.read("a") == a);
    CHECK(archive.read("assets/b") == b);
    CHECK(archive.read("empty").empty());
    CHECK(std::filesystem::file_size(folder / "one.zip") < 2000);
    std::ifstream one(folder / "one.zip", std::ios::binary), two(folder / "two.zip", std::ios::binary);
    CHECK(std::string(std::istreambuf_iterator<char>(one), {}) ==
          std::string(std::istreambuf_iterator<char>(two), {}));
}
